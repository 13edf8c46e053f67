import { describe, expect, it } from 'vitest';
import { planFill } from '../plan/plan-fill';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { fillAsObservation, kindFillsAsObservations, type ClosedFill } from './learn';

/** A fill that came out as the plan for the worked readings said. */
const FILL: ClosedFill = {
  layers: [
    { line: BACKING, spoolTurns: 850 },
    { line: MAIN, spoolTurns: 990 },
  ],
  gap: 1.6,
  by: 'calliper',
};
const known = WORKED_READINGS.slice(0, 4);
const infer = (more: readonly Observation[]): InferredSpool => valueOf(inferSpool([...known, ...more]));
const backingSd = (more: readonly Observation[]): number =>
  valueOf(planFill(infer(more), WORKED_REQUEST)).layers[0]!.depthAfter.sd;

describe('a closed fill', () => {
  it('makes the second visit’s plan tighter than the first, and the third’s than the second', () => {
    const one = fillAsObservation(FILL);
    const first = valueOf(planFill(infer([]), WORKED_REQUEST));
    const turnsSd = (more: readonly Observation[]): number =>
      valueOf(planFill(infer(more), WORKED_REQUEST)).layers[0]!.handleTurns.sd;
    expect(turnsSd([one])).toBeLessThan(0.75 * first.layers[0]!.handleTurns.sd);
    expect(turnsSd([one, one])).toBeLessThan(turnsSd([one]));
  });

  it('of another spool of the kind says less than one of this spool, and more than none', () => {
    const [kind] = kindFillsAsObservations([FILL]);
    expect(backingSd([kind!])).toBeGreaterThan(backingSd([fillAsObservation(FILL)]));
    expect(backingSd([kind!])).toBeLessThan(backingSd([]));
  });

  it('of the kind never counts for more than the kind is alike, however many there are', () => {
    const many = kindFillsAsObservations(Array.from({ length: 50 }, () => FILL));
    const weight = many.reduce((sum, { sd }) => sum + 1 / sd! ** 2, 0);
    expect(1 / Math.sqrt(weight)).toBeGreaterThan(0.25);
    expect(1 / Math.sqrt(weight)).toBeLessThan(0.27);
  });
});
