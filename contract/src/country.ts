import { UNIT_SYSTEMS } from '@yard-spool/core';
import * as v from 'valibot';

/** Which of two numbers in 5/12/2031 is the day. */
export const DAY_ORDERS = ['day-first', 'month-first'] as const;
/** What the shop's office printer takes. */
export const PAPER_SIZES = ['A4', 'Letter'] as const;
export type PaperSize = (typeof PAPER_SIZES)[number];

/** What a country usually reckons and prints in; each is the shop's own to change. */
export const LOCAL_USE = {
  units: v.picklist(UNIT_SYSTEMS),
  dayOrder: v.optional(v.picklist(DAY_ORDERS), 'day-first'),
  /** The weekday a week begins with, 1 for Monday to 7 for Sunday. */
  weekBegins: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(7)), 1),
  paper: v.optional(v.picklist(PAPER_SIZES), 'A4'),
};

export const CountrySchema = v.object({
  /** Two letters, as ISO 3166 has them. */
  code: v.string(),
  name: v.string(),
  /** What stands before an amount of its money. */
  money: v.string(),
  ...LOCAL_USE,
});
export type Country = v.InferOutput<typeof CountrySchema>;

export const CountryCodeSchema = v.pipe(
  v.string(),
  v.regex(/^[A-Z]{2}$/, 'Choose the country from the list.'),
);
