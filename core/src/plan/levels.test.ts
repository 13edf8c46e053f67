import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { inferSpool } from '../spool/infer-spool';
import { BACKING, MAIN, valueOf, WORKED_READINGS, WORKED_SPOOL } from '../testing/examples';
import type { FillRequest, LayerLength, LayerRequest } from './fill-request';
import { planFill } from './plan-fill';

const exact = knownSpool(WORKED_SPOOL);
const unsure = valueOf(inferSpool(WORKED_READINGS));
const backing = (length: LayerLength): LayerRequest => ({
  kind: 'line',
  id: 'backing',
  role: 'backing',
  line: BACKING,
  length,
});
const main = (length: LayerLength): LayerRequest => ({
  kind: 'line',
  id: 'main',
  role: 'main',
  line: MAIN,
  length,
});
const request = (layers: LayerRequest[], gap?: number): FillRequest => ({
  layers,
  gear: 5.2,
  ...(gap === undefined ? {} : { gap }),
});
const issueOf = (asked: FillRequest, estimate = exact) => {
  const plan = planFill(estimate, asked);
  return (plan.ok ? plan.value.issues : plan.issues).find(({ code }) =>
    ['does-not-fit', 'two-unknowns', 'layer-out-of-range'].includes(code),
  );
};
const deep = WORKED_SPOOL.lipRadius - WORKED_SPOOL.arborRadius;

describe('a layer filled up to a level', () => {
  it('stops at its share of the depth, arbor to lip, whatever length that takes', () => {
    const plan = valueOf(planFill(exact, request([backing({ share: [0.5, 0.5] }), main('fits')], 1.5)));
    expect(plan.layers[0]!.depthAfter.value).toBeCloseTo(deep / 2, 9);
    expect(plan.gap.value).toBeCloseTo(1.5, 9);
    expect(plan.solvedFor).toBe('main');
  });

  it('stops at its share of the line that fits, arbor to lip, where it is said to be by length', () => {
    const lengthTo = (level: LayerLength): number =>
      valueOf(planFill(exact, request([backing(level)]))).layers[0]!.length.value;
    const whole = lengthTo({ depth: 0 });
    for (const part of [0.1, 1 / 3, 0.5, 0.9])
      expect(lengthTo({ share: [part, part], of: 'length' })).toBeCloseTo(part * whole, 6);
    expect(lengthTo({ share: [0.5, 0.5] })).toBeLessThan(whole / 2);
  });

  it('aims at the middle of a range', () => {
    const plan = valueOf(planFill(exact, request([backing({ share: [0.5, 0.625] }), main(60)])));
    expect(plan.layers[0]!.depthAfter.value).toBeCloseTo(deep * (1 - 0.5625), 9);
  });

  it('stops at its depth below the lip; on top, that is the gap', () => {
    const plan = valueOf(planFill(exact, request([backing(60), main({ depth: 2 })])));
    expect(plan.gap.value).toBeCloseTo(2, 9);
    expect(plan.layers[1]!.length.value).toBeGreaterThan(50);
  });

  it('has a range of length where the spool is unsure, and turns that come to it', () => {
    const plan = valueOf(planFill(unsure, request([backing({ share: [0.5, 0.5] }), main(60)])));
    expect(plan.layers[0]!.length.sd).toBeGreaterThan(1);
    expect(plan.layers[0]!.depthAfter.value).toBeCloseTo(
      (unsure.spool.lipRadius - unsure.spool.arborRadius) / 2,
      6,
    );
  });

  it('takes the very length that brings it there', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 120, noNaN: true }), (length) => {
        const [wound] = valueOf(planFill(exact, request([backing(length), main(5)]))).layers;
        const depth = wound!.depthAfter.value;
        const [levelled] = valueOf(planFill(exact, request([backing({ depth }), main(5)]))).layers;
        expect(levelled!.length.value).toBeCloseTo(length, 6);
      }),
    );
  });

  it('is seen from the reducer, where there is one', () => {
    const reducer: LayerRequest = { kind: 'reducer', id: 'reducer', diameter: 34 };
    const plan = valueOf(planFill(exact, request([reducer, backing({ share: [0.5, 0.5] }), main(20)])));
    expect(plan.layers[1]!.depthAfter.value).toBeCloseTo((WORKED_SPOOL.lipRadius - 17) / 2, 9);
  });

  it('may be old line that is kept', () => {
    const kept: LayerRequest = {
      kind: 'retained',
      id: 'kept',
      line: BACKING,
      left: { share: [0.25, 0.25] },
    };
    const plan = valueOf(planFill(exact, request([kept, main('fits')], 1.5)));
    expect(plan.layers[0]!.depthAfter.value).toBeCloseTo(0.75 * deep, 9);
  });

  it('cannot stand above a layer that fits: only one thing gives way', () => {
    expect(issueOf(request([backing('fits'), main({ depth: 2 })], 2))?.code).toBe('two-unknowns');
  });

  it('is refused where what lies below reaches past it already', () => {
    const issue = issueOf(request([backing(100), main({ share: [0.1, 0.2] })]));
    expect(issue).toMatchObject({ code: 'does-not-fit', severity: 'error', at: 'main' });
  });

  it.each([
    [{ share: [0.5, 1.2] }],
    [{ share: [0.6, 0.5] }],
    [{ depth: 100 }],
    [{ share: [NaN, 0.5] }],
  ] as const)('refuses %j', (level) => {
    expect(issueOf(request([backing(level), main(20)]))?.code).toBe('layer-out-of-range');
  });
});

describe('a main that is too long', () => {
  const full = valueOf(planFill(unsure, request([main('fits')], 1.5))).layers[0]!;
  const tooLong = (metres: number) =>
    issueOf(request([backing('fits'), main(full.length.value + metres)], 1.5), unsure);

  it('by less than is known of the spool is said, with the gap it comes to, and stops nothing', () => {
    const issue = tooLong(3);
    expect(full.length.high - full.length.value).toBeGreaterThan(3);
    expect(issue).toMatchObject({ code: 'does-not-fit', severity: 'caution', at: 'main' });
    expect(issue!.values!.gap).toBeLessThan(1.5);
    expect(issue!.values!.excess).toBeCloseTo(3, 0);
  });

  it('by more is refused', () => {
    expect(tooLong(3 * (full.length.high - full.length.value))?.severity).toBe('error');
  });

  it('on a spool that is known exactly is refused by a metre', () => {
    const all = valueOf(planFill(exact, request([main('fits')], 1.5))).layers[0]!.length;
    expect(issueOf(request([backing('fits'), main(all.high + 15)], 1.5))?.severity).toBe('error');
  });
});
