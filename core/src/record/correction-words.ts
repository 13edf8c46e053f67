import type { Correction } from '../run/run-event';
import type { UnitSystem } from '../quantities/units';
import { noteAt } from '../steps/note-at';
import { fieldOf, metres, millimetres, stepName, valueWords, type Reading } from './words';

type Value = Correction['is'];

/** A correction as a sentence: what it was, what it is, and why. */
export function correctionWords({ what, about, was, is, why }: Correction, reading: Reading): string {
  const [name, said] = TELL[what](about, reading);
  return `Put right: ${name} is ${said(is)}, not ${said(was)}: ${why}.`;
}

type Tell = (about: string, reading: Reading) => readonly [name: string, said: (value: Value) => string];

const figures =
  (unit: (value: number, units: UnitSystem) => string, units: UnitSystem, none: string) =>
  (value: Value): string =>
    typeof value === 'number' ? unit(value, units) : none;

const TELL: Readonly<Record<Correction['what'], Tell>> = {
  gap: (_, { units }) => ['the gap', figures(millimetres, units, 'unread')],
  length: (about, { units }) => [`the length of layer ${about}`, figures(metres, units, 'unknown')],
  piece: (about) => [
    `the piece of layer ${about}`,
    (code) => (code === null ? 'no piece of the rack' : String(code)),
  ],
  note: (about, { facts, units }) => {
    const [step, key] = noteAt(about);
    const field = fieldOf(step, facts, key);
    const name = `${stepName(step, facts)}, ${field?.label.toLowerCase() ?? key},`;
    return [
      name,
      (value) => (value === null ? 'left open' : field ? valueWords(field, value, units) : String(value)),
    ];
  },
};
