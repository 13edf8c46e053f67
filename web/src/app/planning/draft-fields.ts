import { parseAmount, parseQuantity, type Amount, type UnitSystem } from '@yard-spool/core';
import { QUANTITY_FIELDS, QUANTITY_NAMES, type QuantityName } from './quantity-fields';
import { ratingProblem } from './rating-text';
import type { ReelDraft } from './reel-draft';

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
    const { dimension, range } = QUANTITY_FIELDS[field];
    const quantity = parseQuantity(draft[field], dimension, system, range);
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
  for (const field of QUANTITY_NAMES) {
    if (draft[field].trim() === '') continue;
    const { dimension, range, name } = QUANTITY_FIELDS[field];
    const read = parseQuantity(draft[field], dimension, system, range);
    if (!read.ok) return said(name, read.issues[0]?.sentence);
  }
  for (const field of Object.keys(AMOUNTS) as AmountName[]) {
    if (draft[field].trim() === '') continue;
    const read = parseAmount(draft[field], system, AMOUNT_RANGE);
    if (!read.ok) return said(AMOUNTS[field], read.issues[0]?.sentence);
  }
  return '';
}

const said = (name: string, sentence = 'it cannot be read.'): string => `The ${name}: ${sentence}`;
