import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BACKING, MAIN, valueOf, WORKED_PRIORS, WORKED_READINGS } from '../testing/examples';
import { correctPlan, type CorrectedPlan, type DepthRead, type FillUnderWay } from './correct-plan';
import type { FillRequest } from './fill-request';

const withMain = (length: number): FillRequest => ({
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 81.8 },
    { kind: 'line', id: 'main', role: 'main', line: MAIN, length },
  ],
  gap: 1.5,
  gear: 5.2,
});

/** Ratings, lip and width known; 81.8 m of backing on; depths read after it and, if given, after some main. */
const underWay = (depth?: number, more: Partial<FillUnderWay> = {}): FillUnderWay => ({
  observations: WORKED_READINGS.slice(0, 4),
  reads: depth === undefined ? [] : [{ layers: [{ line: BACKING, length: 81.8 }], depth, by: 'calliper' }],
  request: withMain(120),
  current: 'main',
  ...more,
});
const corrected = (depth?: number, more?: Partial<FillUnderWay>): CorrectedPlan =>
  valueOf(correctPlan(underWay(depth, more), { priors: WORKED_PRIORS }));
const main = ({ toGap }: CorrectedPlan) => toGap.layers[1]!.length;

/** Within 2 % of a printed figure, which itself is rounded. */
const near = (actual: number, printed: number, rounding: number): void => {
  expect(Math.abs(actual - printed)).toBeLessThanOrEqual(0.02 * printed + rounding);
};

describe('correctPlan on the worked fill', () => {
  it.each([
    [undefined, 118, 17],
    [5.8, 117, 12],
    [6.3, 124, 12],
    [6.6, 128, 12],
  ])('reading %s mm leaves room for %s m, give or take %s', (depth, length, sd) => {
    const { value, sd: spread } = main(corrected(depth));
    near(value, length, 0.5);
    near(spread, sd, 0.5);
  });

  it.each([
    [5.8, 1.4],
    [6.3, 1.6],
    [6.6, 1.8],
  ])('holding 120 m after reading %s mm ends at %s mm', (depth, gap) => {
    const { asAsked } = corrected(depth);
    near(asAsked.gap.value, gap, 0.05);
    near(asAsked.gap.sd, 0.4, 0.05);
  });

  it('is surer again after a second reading half way up the main', () => {
    const first = corrected(6.3);
    const second: DepthRead = {
      layers: [
        { line: BACKING, length: 81.8 },
        { line: MAIN, length: 60 },
      ],
      depth: 3.9,
      by: 'calliper',
    };
    const then = corrected(6.3, { reads: [...underWay(6.3).reads, second], soFar: 60 });
    expect(main(then).sd).toBeLessThan(0.75 * main(first).sd);
    expect(then.toGo.value).toBeCloseTo(main(then).value - 60, 9);
  });
});

describe('correctPlan', () => {
  it('says what to take off where more is on than fits', () => {
    const { takeOff, toGo, toGap, spool } = corrected(5.8, { soFar: 150, request: withMain(150) });
    const over = 150 - toGap.layers[1]!.length.value;
    expect(takeOff!.length.value).toBeCloseTo(over, 9);
    expect(toGo.value).toBe(0);
    // A turn at the lip brings in a little more than one at the gap.
    const perTurn = (2 * Math.PI * (spool.spool.lipRadius - 1.5) * 5.2) / 1000;
    expect(over / takeOff!.handleTurns).toBeGreaterThan(perTurn);
    expect(over / takeOff!.handleTurns).toBeLessThan(1.1 * perTurn);
    expect(takeOff!.length.low).toBeLessThan(takeOff!.length.value);
    expect(takeOff!.length.high).toBeGreaterThan(takeOff!.length.value);
  });

  it('has nothing to take off where it fits', () => {
    expect(corrected(6.3, { soFar: 60 }).takeOff).toBeNull();
  });

  it('works the metres of a count out again from what the reading taught', () => {
    const turns = { backing: 165 };
    const shallow = corrected(5.4, { turns });
    const deep = corrected(6.8, { turns });
    // The same turns raised the surface more: line is bulkier or the arbor larger, so less main fits.
    expect(main(shallow).value).toBeLessThan(main(deep).value);
    expect(shallow.toGap.layers[0]!.length.value).not.toBeCloseTo(81.8, 1);
  });

  it('lets the backing be the layer that is corrected', () => {
    const request = withMain(120);
    const { toGap } = corrected(undefined, { request, current: 'backing', soFar: 40 });
    expect(toGap.solvedFor).toBe('backing');
    expect(toGap.gap.value).toBeCloseTo(1.5, 6);
  });

  it('doubts a reading that cannot be right, and still plans', () => {
    const result = correctPlan(underWay(1));
    expect(result.ok).toBe(true);
    expect(result.issues[0]).toMatchObject({ code: 'reading-disagrees', severity: 'caution' });
  });

  it.each<[string, Partial<FillUnderWay>, string]>([
    ['a layer that is not there', { current: 'top' }, 'no-such-layer'],
    ['a negative length on', { soFar: -1 }, 'layer-out-of-range'],
    ['a count that is no number', { turns: { main: NaN } }, 'layer-out-of-range'],
    [
      'a depth no reel has',
      { reads: [{ layers: [{ line: BACKING, length: 80 }], depth: 200, by: 'eye' }] },
      'observation-out-of-range',
    ],
    [
      'two unknowns',
      {
        request: {
          ...withMain(120),
          layers: [{ ...withMain(1).layers[0]!, length: 'fits' } as never, withMain(120).layers[1]!],
        },
      },
      'two-unknowns',
    ],
  ])('refuses %s with a sentence', (_, more, code) => {
    const result = correctPlan(underWay(6, more));
    expect(result.ok).toBe(false);
    expect(result.issues.map((issue) => issue.code)).toContain(code);
    expect(result.issues[0]!.sentence).toMatch(/\.$/);
  });

  it('leaves room for more main the deeper the surface was read', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 4.5, max: 7, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        (depth, more) => {
          expect(main(corrected(depth + more)).value).toBeGreaterThan(main(corrected(depth)).value);
        },
      ),
      { numRuns: 30 },
    );
  });
});
