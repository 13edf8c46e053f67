import { COUNTED_TRAITS } from '../run/counted';
import type { CountingDevice } from '../run/credit-count';

/** So many seconds of winding may come at once at any time: adapters send what they gathered. */
export const GATHERED_S = 1.5;
/** A device says what it stands at at least this often while it turns, s. */
const EACH_S = 3;
/**
 * More than this many seconds of winding at full speed is asked about, however long the link was away: one touch where it
 * was wound, and a counter that jumped meanwhile is never believed by as much.
 */
const MOST_UNSEEN_S = 40;
/** Lines that were held up come one behind the other, no further apart than this, s. */
const HELD_UP_S = 0.25;

/** Where a device stood, and how many seconds of winding at full speed may come at once from there. */
export interface Stood {
  readonly sequence: number;
  readonly count: number;
  /** ms. */
  readonly at: number;
  /** Left out where it was kept before there was such a thing: all that may be gathered. */
  readonly room?: number;
}

/** What a line is judged by: when it came, ms, and whether it is the first of a new link. */
export interface Judging {
  readonly device: CountingDevice;
  readonly now: number;
  readonly fresh: boolean;
}

/**
 * How much room is left, s, once a device stands where a line says; null where a hand cannot have gone so far since it
 * stood elsewhere. Room is what time gives, a second for each second and never more than may be gathered, and what winding
 * takes at the fastest a hand can: many small steps are held to it like one large step. What a silence gave is there for all
 * lines that come at its end together.
 */
export function roomLeft(from: Stood, { sequence, count }: Line, by: Judging): number | null {
  const { device, now, fresh } = by;
  const quiet = Math.max(0, now - from.at) / 1000;
  const before = from.room ?? GATHERED_S;
  const isHeldUp = quiet <= HELD_UP_S;
  const kept = Math.min(before, isHeldUp ? MOST_UNSEEN_S : GATHERED_S);
  const room = kept + Math.min(quiet, MOST_UNSEEN_S);
  // One line speaks for so much time at most, and the lines that were lost for as much each.
  const most = fresh ? room : Math.min(room, GATHERED_S + EACH_S * (sequence - from.sequence));
  const takes = Math.abs(count - from.count) / device.per / COUNTED_TRAITS[device.counts].fastest;
  if (takes > most) return null;
  const left = room - takes;
  return isHeldUp ? Math.min(left, Math.max(before, GATHERED_S)) : left;
}

type Line = Pick<Stood, 'sequence' | 'count'>;

/** The room a device has that only said again where it stands. */
export const roomAt = (from: Stood, now: number): number =>
  Math.min(GATHERED_S, (from.room ?? GATHERED_S) + Math.max(0, now - from.at) / 1000);
