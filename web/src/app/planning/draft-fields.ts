import {
  parseAmount,
  parseQuantity,
  type Allowed,
  type Amount,
  type Dimension,
  type UnitSystem,
} from '@yard-spool/core';
import { ratingProblem } from './rating-text';
import type { ReelDraft } from './reel-draft';

/** What each quantity field takes, in the core's units. */
export const FIELD_RANGE = {
  gear: { min: 0.5, max: 12 },
  lip: { min: 12, max: 250 },
  width: { min: 3, max: 200 },
  arbor: { min: 4, max: 230 },
  farArbor: { min: 4, max: 230 },
  retrieve: { min: 0.1, max: 3 },
  keptDiameter: { min: 0.04, max: 3 },
  reducer: { min: 4, max: 240 },
  least: { min: 1, max: 5000 },
  gap: { min: 0, max: 30 },
  bevel: { min: 0, max: 20 },
  drag: { min: 0.1, max: 60 },
  tapeWraps: { min: 0, max: 200 },
  tapeThickness: { min: 0.05, max: 3 },
  ownDiameter: { min: 0.04, max: 3 },
  ownLength: { min: 1, max: 20_000 },
} as const satisfies Partial<Record<keyof ReelDraft, Allowed>>;

export type QuantityName = keyof typeof FIELD_RANGE;

/** What kind of quantity each field holds. */
export const DIMENSIONS: Readonly<Record<QuantityName, Dimension>> = {
  gear: 'ratio',
  lip: 'small-length',
  width: 'small-length',
  arbor: 'small-length',
  farArbor: 'small-length',
  keptDiameter: 'small-length',
  reducer: 'small-length',
  gap: 'small-length',
  bevel: 'small-length',
  retrieve: 'line-length',
  least: 'line-length',
  ownLength: 'line-length',
  tapeThickness: 'small-length',
  ownDiameter: 'small-length',
  drag: 'strength',
  tapeWraps: 'count',
};

/** What each field is called where it cannot be read. */
const NAMES: Readonly<Record<QuantityName, string>> = {
  gear: 'gear ratio',
  lip: 'lip diameter',
  width: 'width',
  arbor: 'arbor diameter',
  farArbor: 'far end of the arbor',
  retrieve: 'line a turn brings in',
  keptDiameter: 'diameter of the old line',
  reducer: 'reducer’s diameter',
  least: 'least main they take',
  gap: 'gap below the lip',
  bevel: 'depth of the bevel',
  drag: 'drag',
  tapeWraps: 'wraps of tape',
  tapeThickness: 'tape’s thickness',
  ownDiameter: 'diameter of their line',
  ownLength: 'length of their line',
};

/** Least and most an amount may be, m and mm. */
export const AMOUNT_RANGE = { length: { min: 1, max: 5000 }, depth: { min: 0, max: 60 } } as const;

/** The fields that say how much of a line goes on, and what each is called. */
export const AMOUNTS = {
  mainLength: 'length of the main',
  wantedMain: 'length of the main that was wanted',
  backingLength: 'amount of backing',
  gripLength: 'length of nylon for grip',
  cushionLength: 'length of the cushion',
  topLength: 'length of the top shot',
  kept: 'amount of old line',
} as const satisfies Partial<Record<keyof ReelDraft, string>>;
export type AmountName = keyof typeof AMOUNTS;

export type Read = (field: QuantityName) => number | null;
export type ReadAmount = (field: AmountName) => Amount | null;

/** Reads quantities of a draft in the person's units; null where a field is empty or wrong. */
export const draftReader =
  (draft: ReelDraft, system: UnitSystem): Read =>
  (field) => {
    const quantity = parseQuantity(draft[field], DIMENSIONS[field], system, FIELD_RANGE[field]);
    return quantity.ok ? quantity.value.value : null;
  };

/** Reads how much of a line goes on; null where a field is empty or wrong. */
export const amountReader =
  (draft: ReelDraft, system: UnitSystem): ReadAmount =>
  (field) => {
    const amount = parseAmount(draft[field], system, AMOUNT_RANGE);
    return amount.ok ? amount.value : null;
  };

/** The first field that holds something that cannot be read, in one sentence; empty where all can. */
export function unreadable(draft: ReelDraft, system: UnitSystem): string {
  for (const typed of [draft.rating1, draft.rating2]) {
    const problem = ratingProblem(typed, system);
    if (problem !== '') return said('print on the spool', problem);
  }
  for (const field of Object.keys(FIELD_RANGE) as QuantityName[]) {
    if (draft[field].trim() === '') continue;
    const read = parseQuantity(draft[field], DIMENSIONS[field], system, FIELD_RANGE[field]);
    if (!read.ok) return said(NAMES[field], read.issues[0]?.sentence);
  }
  for (const field of Object.keys(AMOUNTS) as AmountName[]) {
    if (draft[field].trim() === '') continue;
    const read = parseAmount(draft[field], system, AMOUNT_RANGE);
    if (!read.ok) return said(AMOUNTS[field], read.issues[0]?.sentence);
  }
  return '';
}

const said = (name: string, sentence = 'it cannot be read.'): string => `The ${name}: ${sentence}`;
