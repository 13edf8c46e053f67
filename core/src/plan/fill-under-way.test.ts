import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { BACKING, MAIN, valueOf, WORKED_PRIORS, WORKED_READINGS, said } from '../testing/examples';
import type { FillPlan } from './fill-plan';
import type { FillRequest } from './fill-request';
import { fillUnderWay, restAsAsked, restToGap, type DepthRead, type FillLookedAt } from './fill-under-way';
import type { Segments } from './segments';

const withMain = (length: number): FillRequest => ({
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 81.8 },
    { kind: 'line', id: 'main', role: 'main', line: MAIN, length },
  ],
  gap: 1.5,
  gear: 5.2,
});

const BACKING_ON: Segments = { backing: [{ metres: 81.8 }] };

/** Ratings, lip and width known; 81.8 m of backing on; depths read after it and, if given, after some main. */
const lookedAt = (depth?: number, more: Partial<FillLookedAt> = {}): FillLookedAt => ({
  observations: WORKED_READINGS.slice(0, 4),
  reads:
    depth === undefined
      ? []
      : [{ kind: 'depth', layers: [{ line: BACKING, length: 81.8 }], depth, by: 'calliper' }],
  request: withMain(120),
  segments: BACKING_ON,
  ...more,
});

/** The fill with both ways to end it: the main taken to the gap, and all as asked. */
function corrected(depth?: number, more?: Partial<FillLookedAt>, layer = 'main') {
  const fill = valueOf(fillUnderWay(lookedAt(depth, more), WORKED_PRIORS));
  return {
    fill,
    toGap: valueOf(restToGap(fill, layer)),
    asAsked: valueOf(restAsAsked(fill, layer)),
  };
}
const main = ({ toGap }: { toGap: FillPlan }) => toGap.layers[1]!.length;

/** Within 2 % of a printed figure, which itself is rounded. */
const near = (actual: number, printed: number, rounding: number): void => {
  expect(Math.abs(actual - printed)).toBeLessThanOrEqual(0.02 * printed + rounding);
};

describe('the worked fill looked at on the way', () => {
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
      kind: 'depth',
      layers: [
        { line: BACKING, length: 81.8 },
        { line: MAIN, length: 60 },
      ],
      depth: 3.9,
      by: 'calliper',
    };
    const then = corrected(6.3, {
      reads: [...lookedAt(6.3).reads, second],
      segments: { ...BACKING_ON, main: [{ metres: 60 }] },
    });
    expect(main(then).sd).toBeLessThan(0.75 * main(first).sd);
    expect(then.fill.wound[1]!.length).toBeCloseTo(60, 9);
  });
});

describe('fillUnderWay', () => {
  it('tells what is too much where more is on than fits, in turns that bring in more at the lip', () => {
    const { fill, toGap } = corrected(5.8, { segments: { ...BACKING_ON, main: [{ metres: 150 }] } });
    const on = fill.wound[1]!;
    const fits = toGap.layers[1]!;
    const over = on.length - fits.length.value;
    expect(over).toBeGreaterThan(20);
    const perTurn = (2 * Math.PI * (fill.spool.spool.lipRadius - 1.5) * 5.2) / 1000;
    const each = over / (on.handleTurns - fits.handleTurns.value);
    expect(each).toBeGreaterThan(perTurn);
    expect(each).toBeLessThan(1.1 * perTurn);
  });

  it('works the metres of a count out again from what the reading taught', () => {
    const segments = { backing: [{ spoolTurns: 165 * 5.2 }] };
    const shallow = corrected(5.4, { segments });
    const deep = corrected(6.8, { segments });
    // The same turns raised the surface more: line is bulkier or the arbor larger, so less main fits.
    expect(main(shallow).value).toBeLessThan(main(deep).value);
    expect(shallow.toGap.layers[0]!.length.value).not.toBeCloseTo(81.8, 1);
  });

  it('lets the backing be the layer that is corrected', () => {
    const { toGap } = corrected(undefined, { segments: { backing: [{ metres: 40 }] } }, 'backing');
    expect(toGap.solvedFor).toBe('backing');
    expect(toGap.gap.value).toBeCloseTo(1.5, 6);
  });

  it('doubts a reading that cannot be right, and still plans', () => {
    const result = fillUnderWay(lookedAt(1));
    expect(result.ok).toBe(true);
    expect(result.issues[0]).toMatchObject({ code: 'reading-disagrees', severity: 'caution' });
  });

  it('refuses a depth no reel has, a layer that is not there and two unknowns, each with a sentence', () => {
    const deep = fillUnderWay(lookedAt(200));
    const { fill } = corrected(6);
    const [backing] = withMain(120).layers;
    const request = { ...withMain(120), layers: [backing!, { ...withMain(1).layers[1]!, length: 'fits' }] };
    const results = [
      deep,
      fillUnderWay(lookedAt(6, { segments: { main: [{ spoolTurns: NaN }] } })),
      restToGap(fill, 'top'),
      restToGap({ ...fill, request: request as FillRequest }, 'backing'),
    ];
    expect(results.map(({ issues }) => issues[0]!.code)).toEqual([
      'observation-out-of-range',
      'layer-out-of-range',
      'no-such-layer',
      'two-unknowns',
    ]);
    for (const { issues } of results) expect(said(issues[0]!.sentence)).toMatch(/\.$/);
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
