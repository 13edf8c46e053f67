import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  HOUSE_QUESTIONS,
  USUAL_HOUSE_RULES,
  type HouseQuestion,
  type HouseRules,
} from '../house-rules/house-rules';
import { adviceSheet, changedAdvice, type AdviceFacts } from './advice-sheet';

/** Braid on a bare arbor below two nylons alike, so that every question arises. */
const FACTS: AdviceFacts = {
  type: 'fixed-spool',
  layers: [
    { line: { key: 'b', material: 'braid', diameter: 0.2 }, role: 'cushion', strength: 90 },
    { line: { key: 'n', material: 'nylon', diameter: 0.25 }, role: 'backing', strength: 50 },
    { line: { key: 'm', material: 'nylon', diameter: 0.26 }, role: 'main', strength: 50 },
  ],
  bare: true,
  rim: { kind: 'plain' },
  reelDiameters: [40, 46],
  supplyDiameters: [118, 112],
  leaves: 'clockwise',
};
/** Rules under which every school makes a difference: a house that goes by the label, over the end. */
const OVER_END: HouseRules = { ...USUAL_HOUSE_RULES, supply: 'over-end' };
const questions = Object.keys(HOUSE_QUESTIONS) as HouseQuestion[];

describe('adviceSheet', () => {
  it.each(questions)('says something else on %s for each school', (question) => {
    const said = HOUSE_QUESTIONS[question].schools
      .filter(({ id }) => question !== 'supply' || (id !== 'by-twist' && id !== 'as-it-comes'))
      .map(({ id }) => adviceSheet(FACTS, { ...OVER_END, [question]: id })[question]?.sentence);
    expect(said).not.toContain(undefined);
    expect(new Set(said).size).toBe(said.length);
  });

  it('leaves out what does not arise', () => {
    const [, , main] = FACTS.layers;
    const turning = adviceSheet({ ...FACTS, type: 'baitcaster', layers: [main!], bare: false }, OVER_END);
    expect([turning.order, turning.arborGrip, turning.knots, turning.washers]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });
});

describe('changedAdvice', () => {
  it('names only what a changed rule changes', () => {
    const [before, after] = [OVER_END, { ...OVER_END, soak: 'full-day', level: 'flush' } as const].map(
      (rules) => adviceSheet(FACTS, rules),
    );
    expect(changedAdvice(before!, after!).map(({ question }) => question)).toEqual(['level', 'soak']);
  });

  it('finds nothing between a sheet and itself', () => {
    fc.assert(
      fc.property(fc.constantFrom(...questions), (question) => {
        for (const { id } of HOUSE_QUESTIONS[question].schools) {
          const sheet = adviceSheet(FACTS, { ...OVER_END, [question]: id });
          expect(changedAdvice(sheet, sheet)).toEqual([]);
        }
      }),
    );
  });
});
