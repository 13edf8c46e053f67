import { leastSquares } from '../numeric/least-squares';
import {
  USUAL_LEVEL,
  WALK_SD,
  type CounterBelief,
  type CounterFace,
  type SpoolSpread,
} from './counter-beliefs';
import { metresPer, type CounterUnit } from './counter-unit';
import { priorsOfSpread, readingAt, spoolOf, type CounterVector } from './counter-model';
import type { CounterSpool } from './paid-out';

/** One walk to a mark, or a length pulled over a line meter, and what the counter showed there. */
export interface Walk {
  /** True length out, m. */
  readonly tape: number;
  /** In the counter's own unit. */
  readonly reading: number;
  /** Metres wound on since the first walk, taken off where below zero. */
  readonly moved: number;
  readonly over: 'field' | 'meter';
  /** What it was read to, in the counter’s unit; the counter’s own step where that is not said. */
  readonly step?: number;
}

/** A counter and its spool as they come out of their walks. */
export interface CounterFit {
  readonly vector: CounterVector;
  readonly covariance: readonly (readonly number[])[];
  /** How far each walk lies from the fit, in its standard deviations. */
  readonly off: readonly number[];
}

/** How unsure a reading is, in the counter's unit. */
export function readingSd(
  { tape, over, step: readTo }: Pick<Walk, 'tape' | 'over' | 'step'>,
  { unit, step }: CounterFace,
): number {
  const share = over === 'meter' ? WALK_SD.meter : WALK_SD.tape;
  return Math.hypot(WALK_SD.step * (readTo ?? step), Math.hypot(WALK_SD.tip, share * tape) / metresPer(unit));
}

/** What is believed of a counter nobody knows: that it reads true with the spool nearly full. */
export function usualBelief(spool: CounterSpool, tape: number, unit: CounterUnit): CounterBelief {
  const [top] = spool.layers;
  const full = Math.max((top?.inner ?? 0) + 1, spool.lip - USUAL_LEVEL.depth);
  const turns = readingAt({ ...spool, outer: full }, 1, tape);
  return { perTurn: tape / metresPer(unit) / turns, sd: USUAL_LEVEL.sd, from: 'usual' };
}

/**
 * Fits counter and spool to all walks at once, with what is believed of both as priors: one walk finds the counter's units
 * to a turn; more than one also the reel's own slope, as far as the geometry leaves it open.
 *
 * @returns null where nothing finite comes out, which walks of a length and readings above zero rule out
 */
export function fitCounter(
  spool: CounterSpool,
  spread: SpoolSpread,
  belief: CounterBelief,
  walks: readonly Walk[],
  face: CounterFace,
): CounterFit | null {
  const sd = priorsOfSpread(spread);
  const start: CounterVector = [Math.log(belief.perTurn), spool.outer, 0];
  const scale = [Math.max(1e-8, belief.sd), sd.surface, sd.ratio];
  const residualsOf = (vector: readonly number[]): number[] => {
    const [perTurn = 0, surface = 0, ratio = 0] = vector;
    const off = walks.map((walk) => {
      const at = spoolOf(spool, [perTurn, surface, ratio], walk.moved);
      return (readingAt(at, Math.exp(perTurn), walk.tape) - walk.reading) / readingSd(walk, face);
    });
    const believed = [start[0], start[1], 0].map(
      (middle, i) => ((vector[i] ?? 0) - middle) / (scale[i] ?? 1),
    );
    return [...off, ...believed];
  };
  const fit = leastSquares(residualsOf, start, { scale, measured: walks.length });
  if (!fit) return null;
  const [perTurn = 0, surface = 0, ratio = 0] = fit.vector;
  return {
    vector: [perTurn, surface, ratio],
    covariance: fit.covariance,
    off: fit.residuals.slice(0, walks.length),
  };
}
