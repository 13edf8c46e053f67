import type { Allowed, Dimension, NoteValue, RunFacts, RunStep, StepKind } from '@yard-spool/core';

/** One thing that may be written down at a step. */
export type StepField =
  | {
      readonly kind: 'choice';
      readonly key: string;
      readonly label: string;
      readonly options: readonly { readonly value: string; readonly name: string }[];
      /** Asked only where another field holds one of these. */
      readonly where?: { readonly key: string; readonly is: string };
    }
  | {
      readonly kind: 'quantity';
      readonly key: string;
      readonly label: string;
      readonly dimension: Dimension;
      readonly allowed: Allowed;
      readonly where?: { readonly key: string; readonly is: string };
    }
  | {
      readonly kind: 'text';
      readonly key: string;
      readonly label: string;
      readonly where?: { readonly key: string; readonly is: string };
    }
  | {
      readonly kind: 'check';
      readonly key: string;
      readonly label: string;
      readonly where?: { readonly key: string; readonly is: string };
    };

const choice = (key: string, label: string, options: Record<string, string>): StepField => ({
  kind: 'choice',
  key,
  label,
  options: Object.entries(options).map(([value, name]) => ({ value, name })),
});
const check = (key: string, label: string): StepField => ({ kind: 'check', key, label });

const STRIP: readonly StepField[] = [
  choice('how', 'How', { drill: 'Drill and tube', sticks: 'Sticks', hand: 'By hand', over: 'Wound over' }),
  {
    kind: 'quantity',
    key: 'minutes',
    label: 'Minutes it took',
    dimension: 'count',
    allowed: { min: 0, max: 240 },
  },
  choice('to', 'Old line goes', { bin: 'Recycling', rack: 'Salvage', kept: 'Stays on', none: 'None on it' }),
  {
    ...choice('material', 'Which bin', { nylon: 'Nylon', fluorocarbon: 'Fluoro', braid: 'Braid' }),
    where: { key: 'to', is: 'bin' },
  },
  {
    kind: 'quantity',
    key: 'grams',
    label: 'Weighed, if it was',
    dimension: 'mass',
    allowed: { min: 0, max: 5000 },
    where: { key: 'to', is: 'bin' },
  },
  { ...check('tubeFull', 'That tube is full'), where: { key: 'to', is: 'bin' } },
  { kind: 'text', key: 'line', label: 'Code of the line it is', where: { key: 'to', is: 'rack' } },
  {
    kind: 'quantity',
    key: 'metres',
    label: 'How much of it',
    dimension: 'line-length',
    allowed: { min: 1, max: 5000 },
    where: { key: 'to', is: 'rack' },
  },
];

const FIELDS: Readonly<Partial<Record<StepKind, (facts: RunFacts) => readonly StepField[]>>> = {
  strip: () => STRIP,
  join: () => [check('middle', 'It sits mid-width')],
  splice: () => [
    {
      kind: 'quantity',
      key: 'metres',
      label: 'Length inside the braid',
      dimension: 'line-length',
      allowed: { min: 0.3, max: 20 },
    },
    check('whipped', 'Both ends whipped'),
    check('pushed', 'Braid pushed down over it'),
  ],
  clip: () => [check('pulled', 'Pulled it first')],
  counter: () => [
    {
      kind: 'quantity',
      key: 'reading',
      label: 'Counter reads at the mark',
      dimension: 'count',
      allowed: { min: 0, max: 2000 },
    },
  ],
  brake: () => [check('falls', 'Falls slowly, no overrun')],
  thumb: () => [
    choice('level', 'The thumb says', { right: 'Right', low: 'Feels metal', full: 'Cannot hold it' }),
  ],
  'drag-reading': () => [
    {
      kind: 'quantity',
      key: 'drag',
      label: 'Drag as read',
      dimension: 'strength',
      allowed: { min: 0.1, max: 60 },
    },
  ],
  leader: () => [
    { kind: 'text', key: 'what', label: 'What it is' },
    {
      kind: 'quantity',
      key: 'metres',
      label: 'How long',
      dimension: 'line-length',
      allowed: { min: 0.1, max: 100 },
    },
    { kind: 'text', key: 'join', label: 'How it is joined' },
  ],
  guides: () => [
    {
      kind: 'quantity',
      key: 'guides',
      label: 'Guides threaded',
      dimension: 'count',
      allowed: { min: 1, max: 20 },
    },
  ],
};

/** What may be written down at a step; nothing at most of them. */
export const stepFields = ({ kind }: RunStep, facts: RunFacts): readonly StepField[] =>
  FIELDS[kind]?.(facts) ?? [];

/** Steps whose checks have to be made before they are done: a splice that is not whipped comes out. */
const MUST: Readonly<Partial<Record<StepKind, readonly string[]>>> = {
  splice: ['metres', 'whipped', 'pushed'],
};

/** What is still to be written down before a step is done; empty where nothing is. */
export function stillMissing({ kind }: RunStep, values: Readonly<Record<string, NoteValue>>): string {
  const open = (MUST[kind] ?? []).filter((key) => values[key] === undefined || values[key] === false);
  if (open.length === 0) return '';
  return open.includes('metres')
    ? 'Type the length of the splice.'
    : 'Whip both ends and push the braid down before it is wound on.';
}
