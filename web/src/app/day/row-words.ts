import type { DayPlan, DayRow } from '@yard-spool/contract';
import { spanText } from '@yard-spool/core';
import { DateTime } from 'luxon';

type Tells = (metres: number) => string;

/** What is done, in one line, and what belongs to it. */
export interface RowWords {
  readonly what: string;
  readonly more: string;
}

/** `9:05`, and the day before it where that is not today. */
export function clockText(iso: string, now: string): string {
  const at = DateTime.fromISO(iso);
  const days = Math.round(at.startOf('day').diff(DateTime.fromISO(now).startOf('day'), 'days').days);
  return days === 0 ? at.toFormat('H:mm') : at.toFormat('ccc H:mm');
}

const tagsOf = ({ reels }: DayRow): string => reels.map(({ tag }) => tag).join(', ');
/** Bags named in a row; the rest of them are counted. */
const NAMED = 4;
const bagsOf = ({ bags }: DayRow): string => {
  const more = bags.length - NAMED;
  const named = `${bags.length === 1 ? 'bag' : 'bags'} ${bags.slice(0, NAMED).join(', ')}`;
  return more > 0 ? `${named} and ${String(more)} more` : named;
};
const codesOf = ({ lines }: DayRow): string => lines.map(({ code }) => code).join(', ');
const minutesOf = ({ startAt, endAt }: DayRow): number => (Date.parse(endAt) - Date.parse(startAt)) / 60_000;

/** What goes on, the outermost first: 120 m N-207, over 77 m S-031. */
export const linesOf = ({ lines }: DayRow, length: Tells): string[] =>
  [...lines]
    .reverse()
    .map(({ code, lengthMm }, i) => `${i > 0 ? 'over ' : ''}${length(lengthMm / 1000)} ${code}`);

const SAYS: Readonly<Record<DayRow['kind'], (row: DayRow, length: Tells) => RowWords>> = {
  soak: (row) => ({ what: `${codesOf(row)} into the water`, more: `for ${bagsOf(row)}` }),
  out: (row) => ({ what: `${codesOf(row)} out of the water`, more: `wound wet, for ${bagsOf(row)}` }),
  strip: (row) => ({ what: `Strip ${tagsOf(row)}`, more: bagsOf(row) }),
  fill: (row, length) => ({ what: `${tagsOf(row)}, ${nameOf(row)}`, more: linesOf(row, length).join(' ') }),
  walk: (row) => ({ what: `Walk the counter of ${tagsOf(row)}`, more: bagsOf(row) }),
  relief: (row) => ({ what: `Take memory out of ${tagsOf(row)}`, more: bagsOf(row) }),
  check: (row) => ({ what: `Check ${tagsOf(row)}`, more: bagsOf(row) }),
  shelf: ({ bags }) => ({ what: `Bag ${bags.join(', ')} to its shelf`, more: 'its message is ready then' }),
};

const nameOf = ({ reels }: DayRow): string => [...new Set(reels.map(({ label }) => label))].join(', ');

/** A row of the running order in words, with how long it takes. */
export function rowWords(row: DayRow, length: Tells): RowWords {
  const { what, more } = SAYS[row.kind](row, length);
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
  return kind === 'walk' ? 'Field' : kind === 'soak' || kind === 'out' ? 'Tub' : 'Counter';
}

/** What is at a bench now, or comes next there; null where nothing does. */
export function firstAt({ rows }: Pick<DayPlan, 'rows'>, bench: number | null): DayRow | null {
  const own = rows.filter(({ benchId, state }) => benchId === bench && state !== 'done');
  return own.find(({ state }) => state === 'now') ?? own[0] ?? null;
}

/** Rows as they are listed: a check goes without saying where its bag goes to its shelf. */
export function listed(rows: readonly DayRow[]): readonly DayRow[] {
  const shelved = new Set(rows.flatMap(({ kind, bags }) => (kind === 'shelf' ? bags : [])));
  return rows.filter(({ kind, bags }) => kind !== 'check' || !bags.every((bag) => shelved.has(bag)));
}

/** A day in one line: how many reels, and whether all of it is in time. */
export function dayWords({ now, rows, broken, noPlace, opensAt }: DayPlan): string {
  const day = DateTime.fromISO(opensAt ?? now).toFormat('cccc');
  const toFill = rows.filter(({ kind, state }) => kind === 'fill' && state !== 'done');
  const reels = toFill.reduce((all, { reels: own }) => all + own.length, 0);
  if (rows.length === 0) return `${day}: nothing to do`;
  const late = broken + noPlace.length;
  const count = `${String(reels)} ${reels === 1 ? 'reel' : 'reels'} to fill`;
  if (late === 0) return `${day}: ${count}, all in time`;
  const bags = broken === 1 ? '1 bag will be late' : broken > 0 ? `${String(broken)} bags will be late` : '';
  const none = noPlace.length > 0 ? `${String(noPlace.length)} without line` : '';
  return `${day}: ${count}; ${[bags, none].filter(Boolean).join(', ')}`;
}
