import { ranged, type Ranged } from '../numeric/ranged';
import { readingAt, spoolOf, spreadOf, type CounterVector } from './counter-model';
import { metresPer, type CounterUnit } from './counter-unit';
import type { CounterMatch } from './counter-match';
import { payOut, topLength, type CounterSpool } from './paid-out';

/**
 * Walking ends where it is believed to agree, which favours readings that err that way; and past the mark nothing was read.
 * With ranges this much wider than their propagation they hold what they say (`core/bench/counters.ts`).
 */
const WIDER = { upToMark: 1.1, past: 1.2 } as const;

/** A length that is out, and what the counter shows then, in its unit. */
export interface TableRow {
  /** In the counter's unit. */
  readonly length: number;
  readonly reading: Ranged;
  /** Whether the join to the layer below has left the spool by then. */
  readonly pastJoin: boolean;
}

/** Lengths of a table: quarters of the match up to twice it, then halves up to three times. */
export const TABLE_SHARES = [0.25, 0.5, 0.75, 1, 1.25, 1.5, 2, 2.5, 3];

/**
 * What a counter shows at true lengths, with the spool as it is: the table on the reel's tag. Ends where the line does.
 *
 * @param match the length it is matched at, m
 */
export function counterTable(
  { fit, spool }: Pick<CounterMatch, 'fit' | 'spool'>,
  match: number,
  unit: CounterUnit,
): TableRow[] {
  const per = metresPer(unit);
  // The doubt is the fit's own, about the spool as it is now.
  const now: CounterVector = [fit.vector[0], spool.outer, 0];
  return TABLE_SHARES.map((share) => share * match)
    .filter((length) => payOut(spool, length).length >= length - 1e-6)
    .map((length) => {
      const reading = (vector: CounterVector): number =>
        readingAt(spoolOf(spool, vector), Math.exp(vector[0]), length);
      const wider = length > match + 1e-6 ? WIDER.past : WIDER.upToMark;
      return {
        length: length / per,
        reading: ranged(reading(now), wider * spreadOf(reading, now, fit.covariance)),
        pastJoin: length > topLength(spool),
      };
    });
}

/** How far the counter runs ahead of the line at twice the match, in its unit; negative where it lags. */
export const runsAhead = (
  { fit, spool }: Pick<CounterMatch, 'fit' | 'spool'>,
  match: number,
  unit: CounterUnit,
): number => readingAt(spool, Math.exp(fit.vector[0]), 2 * match) - (2 * match) / metresPer(unit);

/** A matched counter as it is kept with its reel: what a turn is worth, and the spool as it was matched. */
export interface RecordedCounter {
  readonly perTurn: number;
  readonly spool: CounterSpool;
}
