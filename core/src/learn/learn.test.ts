import { describe, expect, it } from 'vitest';
import { planFill } from '../plan/plan-fill';
import { inferSpool, type InferredSpool } from '../spool/infer-spool';
import type { Observation } from '../spool/observation';
import { STARTING_PRIORS } from '../spool/priors';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { fillAsObservation, kindFillsAsObservations, learnBulk, type ClosedFill } from './learn';

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

describe('learnBulk', () => {
  const bulky: ClosedFill = { ...FILL, gap: 0.5 };
  const estimate = infer([fillAsObservation(bulky)]);

  it('believes the material’s bulk before any fill', () => {
    expect(learnBulk(MAIN, [], STARTING_PRIORS)).toEqual({ median: 1, sd: expect.closeTo(0.05, 12) });
  });

  it('moves towards what the fills say and gets surer with each', () => {
    const one = learnBulk(MAIN, [estimate], STARTING_PRIORS);
    const three = learnBulk(MAIN, [estimate, estimate, estimate], STARTING_PRIORS);
    expect(one.median).toBeGreaterThan(1.001);
    expect(three.median).toBeGreaterThan(one.median);
    expect(three.sd).toBeLessThan(one.sd);
    expect(one.sd).toBeLessThan(0.05);
  });

  it('learns nothing from a spool that never had the line on', () => {
    const other = { ...MAIN, key: 'other' };
    expect(learnBulk(other, [estimate], STARTING_PRIORS).median).toBeCloseTo(1, 12);
  });

  it('carries to another spool as that line’s own belief', () => {
    const learned = learnBulk(MAIN, [estimate, estimate], STARTING_PRIORS);
    const priors = { ...STARTING_PRIORS, learnedBulk: { [MAIN.key]: learned } };
    const plain = valueOf(planFill(valueOf(inferSpool(known)), WORKED_REQUEST));
    const knowing = valueOf(planFill(valueOf(inferSpool(known, priors)), WORKED_REQUEST));
    // Bulkier main leaves less room for backing.
    expect(knowing.layers[0]!.length.value).toBeLessThan(plain.layers[0]!.length.value);
  });
});
