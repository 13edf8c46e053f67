import type { Correction } from '../run/run-event';
import { noteAt } from '../steps/note-at';
import type { RunFacts } from '../steps/run-facts';
import { fieldOf, metres, millimetres, stepName, valueWords } from './words';

type Value = Correction['is'];

/** A correction as a sentence: what it was, what it is, and why. */
export function correctionWords({ what, about, was, is, why }: Correction, facts: RunFacts): string {
  const [name, said] = TELL[what](about, facts);
  return `Put right: ${name} is ${said(is)}, not ${said(was)}: ${why}.`;
}

type Tell = (about: string, facts: RunFacts) => readonly [name: string, said: (value: Value) => string];

const figures =
  (unit: (value: number) => string, none: string) =>
  (value: Value): string =>
    typeof value === 'number' ? unit(value) : none;

const TELL: Readonly<Record<Correction['what'], Tell>> = {
  gap: () => ['the gap', figures(millimetres, 'unread')],
  length: (about) => [`the length of layer ${about}`, figures(metres, 'unknown')],
  piece: (about) => [
    `the piece of layer ${about}`,
    (code) => (code === null ? 'no piece of the rack' : String(code)),
  ],
  note: (about, facts) => {
    const [step, key] = noteAt(about);
    const field = fieldOf(step, facts, key);
    const name = `${stepName(step, facts)}, ${field?.label.toLowerCase() ?? key},`;
    return [
      name,
      (value) => (value === null ? 'left open' : field ? valueWords(field, value) : String(value)),
    ];
  },
};
