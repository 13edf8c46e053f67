import type { Span } from './day';

/** What keeps a bench, a person or a piece busy, in order of time, and how far off its end may be. */
export interface Busy {
  readonly from: number;
  readonly to: number;
  readonly sd: number;
}

/** The earliest start from a moment on at which so long is free. */
export function firstFree(busy: readonly Busy[], from: number, minutes: number): number {
  let start = from;
  for (let i = firstAfter(busy, from); i < busy.length; i += 1) {
    const one = busy[i];
    if (!one || one.from >= start + minutes) break;
    start = Math.max(start, one.to);
  }
  return start;
}

/** Where what ends behind a moment begins; most that is asked about lies near the end. */
function firstAfter(busy: readonly Busy[], moment: number): number {
  let at = busy.length;
  while (at > 0 && (busy[at - 1]?.to ?? 0) > moment) at -= 1;
  return at;
}

/**
 * The earliest start from a moment on that lies within one span; what is longer than any span begins with one and runs
 * over its end, and what comes after the last span comes right after it. Infinity where there is no span at all.
 */
export function firstWithin(spans: readonly Span[], from: number, minutes: number): number {
  let longest = 0;
  for (const [begin, end] of spans) {
    if (end <= from) continue;
    const start = Math.max(begin, from);
    if (start + minutes <= end) return start;
    longest = Math.max(longest, end - begin);
  }
  for (const [begin, end] of spans)
    if (minutes > longest && end > from && end - begin >= longest) return Math.max(begin, from);
  return spans.length === 0 ? Infinity : Math.max(from, spans.at(-1)?.[1] ?? from);
}

/** Puts something among what is there, in order of time. */
export function book(busy: Busy[], one: Busy): void {
  let at = busy.length;
  while (at > 0 && (busy[at - 1]?.from ?? 0) > one.from) at -= 1;
  busy.splice(at, 0, one);
}

/** What ends last at or before a moment. */
export const lastBefore = <One extends Busy>(busy: readonly One[], moment: number): One | undefined =>
  busy.findLast(({ to }) => to <= moment);
