import { serviceLife, type Line } from '@yard-spool/core';
import { DateTime } from 'luxon';
import type { SpoolRow } from '../db/models/customers';
import type { FillMarkRow } from '../db/models/record';

export type DueDates = Pick<
  SpoolRow,
  'ripeAt' | 'wornAt' | 'dueAt' | 'shortAt' | 'toldAt' | 'trips' | 'reversedAt'
>;

export const NOT_DUE: DueDates = {
  ripeAt: null,
  wornAt: null,
  dueAt: null,
  shortAt: null,
  toldAt: null,
  trips: null,
  reversedAt: null,
};

/**
 * When line on a spool is due by months, by trips and by whichever comes first, from when it was filled and what was told
 * of it since. Line that was reversed begins again with its fresh end.
 *
 * @param marks what was told of the fill, the oldest first
 * @param short whether what was lost of it since left too little to fish: then it is due from that moment, by every rule
 */
export function whenDue(line: Line, closedAt: Date, marks: readonly FillMarkRow[], short = false): DueDates {
  const dates = byUse(line, closedAt, marks);
  const lostAt = marks.findLast(({ kind, offMm }) => kind === 'off' && (offMm ?? 0) > 0)?.at;
  if (!short || !lostAt) return dates;
  const first = (date: Date | null): Date => (date && date < lostAt ? date : lostAt);
  const { ripeAt, wornAt, dueAt } = dates;
  return { ...dates, ripeAt: first(ripeAt), wornAt: first(wornAt), dueAt: first(dueAt), shortAt: lostAt };
}

/** The same by age and trips alone. */
function byUse(line: Line, closedAt: Date, marks: readonly FillMarkRow[]): DueDates {
  const life = serviceLife(line);
  const last = marks.findLastIndex(({ kind }) => kind === 'reversed');
  const reversedAt = marks[last]?.at ?? null;
  const since = marks.slice(last + 1);
  const told = since.flatMap(({ kind, trips, at }) =>
    kind === 'trips' && trips !== null ? [{ trips, at }] : [],
  );
  const trips = told.at(-1)?.trips ?? null;
  const isWorn = trips !== null && trips >= life.trips;
  const wornAt = isWorn ? (told.find((one) => one.trips >= life.trips)?.at ?? null) : null;
  const ripeAt = DateTime.fromJSDate(reversedAt ?? closedAt)
    .plus({ months: life.months })
    .toJSDate();
  const dueAt = wornAt && wornAt < ripeAt ? wornAt : ripeAt;
  const toldAt = since.findLast(({ kind }) => kind === 'told')?.at ?? null;
  return { ripeAt, wornAt, dueAt, shortAt: null, toldAt, trips, reversedAt };
}

/** What tells when line is due, by the house's rule or an exception to it. */
export type ServiceSchool = 'by-trips' | 'by-months' | 'whichever-first';

export const dueBy = ({ ripeAt, wornAt, dueAt }: DueDates, school: ServiceSchool): Date | null =>
  ({ 'by-trips': wornAt, 'by-months': ripeAt, 'whichever-first': dueAt })[school];

export const monthsBetween = (from: Date, to: Date): number =>
  DateTime.fromJSDate(to).diff(DateTime.fromJSDate(from), 'months').months;
