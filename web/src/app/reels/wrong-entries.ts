import type { CorrectFill, Fill } from '@yard-spool/contract';
import {
  runSteps,
  stepAt,
  STEPS,
  type Allowed,
  type Dimension,
  type NoteValue,
  type RunFacts,
  type StepField,
} from '@yard-spool/core';
import type { UnitsService } from '../data/units.service';

type Asked =
  | { readonly kind: 'small' | 'length' | 'text' }
  | { readonly kind: 'quantity'; readonly dimension: Dimension; readonly allowed: Allowed }
  | {
      readonly kind: 'choice';
      readonly isCheck: boolean;
      readonly options: readonly { readonly value: string; readonly name: string }[];
    };

/** One entry of a closed record that can be put right. */
export type Entry = Asked & {
  readonly id: string;
  readonly name: string;
  readonly what: CorrectFill['what'];
  readonly about: string;
  readonly says: string;
  readonly mayBeEmpty: boolean;
};

/** Everything of a record that can be put right: the gap, each layer’s length and piece, and what was written down. */
export function wrongEntries(
  fill: Fill,
  facts: RunFacts,
  notes: Readonly<Record<string, Readonly<Record<string, NoteValue>> | undefined>>,
  units: Pick<UnitsService, 'length' | 'small'>,
): Entry[] {
  const gap: Entry = {
    id: 'gap',
    name: 'The gap',
    what: 'gap',
    about: '',
    kind: 'small',
    mayBeEmpty: true,
    says: fill.gapRead === null ? 'not read' : units.small(fill.gapRead),
  };
  const layers = fill.layers.flatMap(({ role, lengthMm, pieceCode, lineName }, i): Entry[] => {
    if (role === 'kept') return [];
    const about = String(i);
    const name = `${role.charAt(0).toUpperCase()}${role.slice(1).replace('-', ' ')}`;
    return [
      {
        id: `length ${about}`,
        name: `${name}: its length`,
        what: 'length',
        about,
        kind: 'length',
        says: units.length(lengthMm / 1000),
        mayBeEmpty: false,
      },
      {
        id: `piece ${about}`,
        name: `${name}: the piece it came off`,
        what: 'piece',
        about,
        kind: 'text',
        says: `${pieceCode ?? 'no piece of the rack'}, ${lineName}`,
        mayBeEmpty: true,
      },
    ];
  });
  const written = runSteps(facts).flatMap((step) => {
    const { name } = STEPS[step.kind].words(stepAt(facts, step.layer));
    return (STEPS[step.kind].fields ?? []).map((field): Entry => {
      const value = notes[step.id]?.[field.key];
      return {
        id: `note ${step.id}.${field.key}`,
        name: `${name}: ${field.label.toLowerCase()}`,
        what: 'note',
        about: `${step.id}.${field.key}`,
        mayBeEmpty: true,
        says: saysNow(field, value),
        ...askedOf(field),
      };
    });
  });
  return [gap, ...layers, ...written];
}

function saysNow(field: StepField, value: NoteValue | undefined): string {
  if (value === undefined) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (field.kind === 'choice') return field.options.find((one) => one.value === value)?.name ?? String(value);
  return String(value);
}

function askedOf(field: StepField): Asked {
  switch (field.kind) {
    case 'quantity':
      return { kind: 'quantity', dimension: field.dimension, allowed: field.allowed };
    case 'check':
      return { kind: 'choice', isCheck: true, options: YES_NO };
    case 'choice':
      return { kind: 'choice', isCheck: false, options: [UNSAID, ...field.options] };
    default:
      return { kind: 'text' };
  }
}

const UNSAID = { value: '', name: 'not said' } as const;
const YES_NO = [UNSAID, { value: 'yes', name: 'yes' }, { value: 'no', name: 'no' }] as const;
