import type { DayRow, DayWish } from '@yard-spool/contract';

/**
 * What it asks to move one row to where another is: that one's time, and its bench where both are done at one. Moved down
 * at a bench it comes behind that one, as it does behind what is under way.
 */
export function wishAt(row: DayRow, there: DayRow): DayWish {
  const atBench = row.benchId !== null && there.benchId !== null;
  const benchId = atBench ? there.benchId : row.benchId;
  const isBehind = there.state !== 'next' || (atBench && there.startAt > row.startAt);
  const at = isBehind ? there.endAt : there.startAt;
  return { at, benchId, personId: null, earliestAt: null, apart: false };
}

/** Where a row can be moved to by one step: over what is not begun yet, and not beyond the ends. */
export function stepFrom(rows: readonly DayRow[], at: number, by: 1 | -1): number {
  const there = rows[at + by];
  return there && there.state !== 'done' ? at + by : at;
}

/** Rows with one of them somewhere else. */
export function withMoved(rows: readonly DayRow[], id: string, to: number): readonly DayRow[] {
  const row = rows.find((one) => one.id === id);
  if (!row) return rows;
  const rest = rows.filter((one) => one.id !== id);
  return [...rest.slice(0, to), row, ...rest.slice(to)];
}
