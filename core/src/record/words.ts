import type { DoubtCause } from '../counter/walk-doubt';
import { formatQuantity } from '../quantities/format-quantity';
import type { Dimension, UnitSystem } from '../quantities/units';
import type { TooLongChoice } from '../run/run-event';
import type { SettlingCause } from '../run/settling';
import { kindOfStep } from '../steps/check-notes';
import { STEPS } from '../steps/catalogue';
import type { RunFacts } from '../steps/run-facts';
import { stepAt } from '../steps/step-at';
import type { NoteValue, StepField } from '../steps/step-field';
import type { SupplyWayAtBench } from '../steps/supply-way';

/** The fill a sentence is about, and what whoever reads it measures in. */
export interface Reading {
  readonly facts: RunFacts;
  readonly units: UnitSystem;
}

/** How a supply stood, in words. */
export const WAY_WORDS: Readonly<Record<SupplyWayAtBench, string>> = {
  'over-end': 'the supply lay still and line left off the end',
  rolling: 'the supply rolled',
  rig: 'the supply turned on a rig',
  winder: 'a winder turned the spool',
  'drag-reel': 'line came off a reel under its drag',
  'walked-out': 'line was walked out first',
  reverse: 'its own line was turned end for end',
};

export const DID_WORDS = {
  leave: 'the washers were left',
  'add-washer': 'a washer was added',
  'take-washer-out': 'a washer was taken out',
} as const;

export const CHOICE_WORDS: Readonly<Record<TooLongChoice, string>> = {
  'take-off': 'what lies below was taken off again',
  'smaller-gap': 'a smaller gap was accepted',
  'cut-short': 'it was cut short',
  'another-length': 'another length was taken',
};

export const RESTART_WORDS = {
  'supply-turned': 'the supply had to be turned over',
  slipped: 'it slipped on the spool',
  loose: 'it was loose',
  other: 'for another reason',
} as const;

export const GIVEN_UP_WORDS = {
  back: 'back on its piece',
  salvage: 'to salvage',
  bin: 'to recycling',
} as const;

export const SETTLED_WORDS: Readonly<Record<SettlingCause, string>> = {
  gear: 'the gear ratio was different',
  count: 'the count was off',
  depth: 'a depth was misread',
  packing: 'it was wound looser or tighter than usual',
  line: 'the line was not the one that was entered',
  piece: 'the piece held a different length from the books',
  meter: 'the line meter was off',
  none: 'all of it stands as it was read',
};

export const DOUBT_WORDS: Readonly<Record<DoubtCause, string>> = {
  'other-unit': 'the counter shows another unit',
  'not-moved': 'the line had not been moved yet',
  'wrong-way': 'the line was moved the wrong way',
  'other-mark': 'it was a different mark',
  'earlier-mark': 'an earlier walk was at a different mark',
  'not-zeroed': 'the counter was not at zero',
  tension: 'the tension was different',
  join: 'a join was on the way',
};

/** A layer as people say it, at the beginning of a sentence. */
export const layerWords = (layer: string): string =>
  layer.charAt(0).toUpperCase() + layer.slice(1).replaceAll('-', ' ');

/** A number without more digits than it has. */
export const figure = (value: number, decimals = 1): string => String(Number(value.toFixed(decimals)));

/** Line, m, as a reader has it: in a metric record as exact as it was counted. */
export const metres = (value: number, units: UnitSystem): string =>
  units === 'metric' ? `${figure(value)} m` : formatQuantity(value, 'line-length', units).text;
/** A depth, width or diameter of a spool, mm, as a reader has it. */
export const millimetres = (value: number, units: UnitSystem): string =>
  units === 'metric' ? `${figure(value, 2)} mm` : formatQuantity(value, 'small-length', units).text;

/** What a step of this fill is called; its id for one no fill like it has. */
export function stepName(id: string, facts: RunFacts): string {
  const kind = kindOfStep(id, facts);
  if (!kind) return id;
  const layer = facts.request.layers.find((one) => id === `${kind}-${one.id}`)?.id;
  return STEPS[kind].words(stepAt(facts, layer)).name;
}

const UNITS: Readonly<Record<Dimension, string>> = {
  'line-length': ' m',
  'small-length': ' mm',
  mass: ' g',
  strength: ' kg',
  ratio: ' : 1',
  count: '',
};

const quantityWords = (value: number, dimension: Dimension, units: UnitSystem): string =>
  units === 'metric'
    ? `${figure(value, 2)}${UNITS[dimension]}`
    : formatQuantity(value, dimension, units, dimension === 'count' ? 0 : undefined).text;

/** What was written down at a step, one sentence for all of it. */
export function noteWords(
  id: string,
  { facts, units }: Reading,
  values: Readonly<Record<string, NoteValue>>,
): string {
  return Object.entries(values)
    .map(([key, value]) => {
      const field = fieldOf(id, facts, key);
      return field
        ? `${field.label.toLowerCase()}: ${valueWords(field, value, units)}`
        : `${key}: ${String(value)}`;
    })
    .join('; ');
}

/** What a step asks for under a key; nothing where it asks for no such thing. */
export function fieldOf(id: string, facts: RunFacts, key: string): StepField | undefined {
  const kind = kindOfStep(id, facts);
  return kind ? (STEPS[kind].fields ?? []).find((one) => one.key === key) : undefined;
}

export function valueWords(field: StepField, value: NoteValue, units: UnitSystem): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (field.kind === 'choice')
    return field.options.find((option) => option.value === value)?.name ?? String(value);
  if (field.kind === 'quantity' && typeof value === 'number')
    return quantityWords(value, field.dimension, units);
  return String(value);
}
