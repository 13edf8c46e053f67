import type { DayPlan, DayRow } from '@yard-spool/contract';
import { placeInWords, rowInWords, spanText, type SaysLength } from '@yard-spool/core';
import { DateTime } from 'luxon';
import { inHand } from '../words/in-hand';

const minutesOf = ({ startAt, endAt }: DayRow): number => (Date.parse(endAt) - Date.parse(startAt)) / 60_000;

/** A row of the running order in words, with how long it takes. */
export function rowWords(row: DayRow, length: SaysLength): ReturnType<typeof rowInWords> {
  const { what, more } = rowInWords(row, length);
  const goesOn =
    row.state === 'now'
      ? `since ${DateTime.fromISO(row.startAt).toFormat('ccc H:mm')}`
      : spanText(minutesOf(row));
  const supply = row.kind === 'fill' && row.changes === 0 && row.state === 'next' ? 'supply stays' : '';
  return { what, more: [more, supply, goesOn].filter(Boolean).join('; ') };
}

/** Where a row is done: its bench, or what that sort of thing is done at. */
export function placeOf({ kind, benchId }: DayRow, { benches }: Pick<DayPlan, 'benches'>): string {
  if (benchId !== null) return benches.find(({ id }) => id === benchId)?.name ?? '';
  return placeInWords(kind);
}

/** What is at a bench now, or comes next there; null where nothing does. */
export function firstAt({ rows }: Pick<DayPlan, 'rows'>, bench: number | null): DayRow | null {
  const own = rows.filter(({ benchId, state }) => benchId === bench && state !== 'done');
  return own.find(({ state }) => state === 'now') ?? own[0] ?? null;
}

/** How much time the first of a row's bags has in hand: `2 h in hand`; empty where it is not told. */
export function handOf({ bags: [first] }: DayRow, { bags }: Pick<DayPlan, 'bags'>): string {
  const bag = bags.find(({ number }) => number === first);
  if (!bag) return '';
  const { state, words } = inHand(bag);
  return state === 'late' ? words : `${words} in hand`;
}

/** A day in one line: how many reels, and whether all of it is in time. */
export function dayWords({ now, rows, broken, noPlace, opensAt }: DayPlan): string {
  const at = DateTime.fromISO(opensAt ?? now);
  const day = at.toFormat('cccc');
  const until = at.endOf('day').toMillis();
  const toFill = rows.filter(
    ({ kind, state, startAt }) => kind === 'fill' && state !== 'done' && Date.parse(startAt) <= until,
  );
  const reels = toFill.reduce((all, { reels: own }) => all + own.length, 0);
  if (rows.length === 0) return `${day}: nothing to do`;
  const late = broken + noPlace.length;
  const count = `${String(reels)} ${reels === 1 ? 'reel' : 'reels'} to fill`;
  if (late === 0) return `${day}: ${count}, all in time`;
  const bags = broken === 1 ? '1 bag will be late' : broken > 0 ? `${String(broken)} bags will be late` : '';
  const none = noPlace.length > 0 ? `${String(noPlace.length)} without line` : '';
  return `${day}: ${count}; ${[bags, none].filter(Boolean).join(', ')}`;
}
