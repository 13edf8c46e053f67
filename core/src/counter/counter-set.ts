import { readingAt } from './counter-model';
import { metresPer, type CounterUnit } from './counter-unit';
import type { CounterMatch } from './counter-match';
import type { RecordedCounter } from './counter-table';

/** A reel of a set that is fished together. */
export interface SetReel {
  readonly name: string;
  readonly counter: RecordedCounter;
  readonly unit: CounterUnit;
}

/** What the reels of a set show at one true length, as metres by their counters, and how far they lie apart. */
export interface SetRow {
  /** m */
  readonly length: number;
  /** By reel, in its own unit. */
  readonly readings: readonly number[];
  /** Between the reel that shows most and the one that shows least, m. */
  readonly spread: number;
}

/** A set side by side at each length. */
export const setTable = (reels: readonly SetReel[], lengths: readonly number[]): SetRow[] =>
  lengths.map((length) => {
    const readings = reels.map(({ counter }) => readingAt(counter.spool, counter.perTurn, length));
    const shown = readings.map((reading, i) => reading * metresPer(reels[i]?.unit ?? 'm'));
    return { length, readings, spread: Math.max(...shown) - Math.min(...shown) };
  });

/** A reel whose reading lies apart, and what to do to it: metres to wind on, or null where no level helps. */
export interface Touch {
  readonly name: string;
  readonly move: number | null;
}

/** Apart by no more than this less than the one farthest apart is as far apart. */
const AS_FAR = 0.9;

/**
 * Which reel of a set to touch, and by how much: the one that reads farthest from the others at the match; of those as far
 * apart, as both of two are, the one farther from the tape.
 */
export function reelToTouch(
  reels: readonly { readonly name: string; readonly match: CounterMatch }[],
): Touch | null {
  const shares = reels.map(({ match }) => match.expected.value / match.wanted);
  if (reels.length < 2) return null;
  const others = (i: number): number => {
    const rest = shares.filter((_, j) => j !== i);
    return rest.reduce((sum, share) => sum + share, 0) / rest.length;
  };
  const apart = shares.map((share, i) => Math.abs(share - others(i)));
  const most = Math.max(...apart);
  const offTape = shares.map((share, i) => ((apart[i] ?? 0) >= AS_FAR * most ? Math.abs(share - 1) : -1));
  const reel = reels[offTape.indexOf(Math.max(...offTape))];
  if (!reel || reel.match.verdict === 'agrees' || most === 0) return null;
  return {
    name: reel.name,
    move: reel.match.depth === null || reel.match.reach ? null : reel.match.move.value,
  };
}
