import { describe, expect, it } from 'vitest';
import { planFill } from '../plan/plan-fill';
import { valueOf, WORKED_PRIORS, WORKED_READINGS, WORKED_REQUEST, said } from '../testing/examples';
import { inferSpool } from './infer-spool';
import type { Observation } from './observation';

/** Worked by independent code from the same priors: value ± 1 sd; join depth of a plan from the same readings. */
const WORKED = [
  { known: 1, lip: 23.9, width: 18.0, arbor: 15.6, packing: 0.7, backing: [80, 21], join: [5.4, 1.2] },
  { known: 2, lip: 24.0, width: 18.0, arbor: 15.6, packing: 0.7, backing: [82, 20], join: [5.4, 1.2] },
  { known: 3, lip: 23.0, width: 18.1, arbor: 14.3, packing: 0.71, backing: [81, 20], join: [5.6, 1.0] },
  { known: 4, lip: 23.0, width: 16.5, arbor: 13.6, packing: 0.71, backing: [79, 18], join: [6.0, 0.55] },
  { known: 5, lip: 23.0, width: 16.5, arbor: 13.3, packing: 0.7, backing: [82, 16], join: [6.1, 0.43] },
] as const;

/** Within 2 % of a printed figure, which itself is rounded. */
const near = (actual: number, printed: number, rounding: number): void => {
  expect(Math.abs(actual - printed)).toBeLessThanOrEqual(0.02 * printed + rounding);
};

describe('inferSpool on the worked readings', () => {
  it.each(WORKED)('with $known readings gives the worked spool', ({ known, lip, width, arbor, packing }) => {
    const { spool } = valueOf(inferSpool(WORKED_READINGS.slice(0, known), WORKED_PRIORS));
    near(spool.lipRadius, lip, 0.05);
    near(spool.width, width, 0.05);
    near(spool.arborRadius, arbor, 0.05);
    near(spool.packing, packing, 0.005);
  });

  it.each(WORKED)('with $known readings plans the worked backing and join', ({ known, backing, join }) => {
    const estimate = valueOf(inferSpool(WORKED_READINGS.slice(0, known), WORKED_PRIORS));
    const [layer] = valueOf(planFill(estimate, WORKED_REQUEST)).layers;
    near(layer!.length.value, backing[0], 0.5);
    // Two prints share the bias that stands in for their own errors: a little more than independent ones.
    near(layer!.length.sd, backing[1], 0.6);
    near(layer!.depthAfter.value, join[0], 0.05);
    near(layer!.depthAfter.sd, join[1], 0.05);
  });
});

describe('prints of one maker', () => {
  it('err together: a first plan is less sure by some metres, and a second print hardly helps', () => {
    const sdWith = (known: number, priors?: typeof WORKED_PRIORS): number => {
      const estimate = valueOf(inferSpool(WORKED_READINGS.slice(0, known), priors));
      return valueOf(planFill(estimate, WORKED_REQUEST)).layers[0]!.length.sd;
    };
    for (const { known } of WORKED) {
      const more = sdWith(known) - sdWith(known, WORKED_PRIORS);
      expect(more).toBeGreaterThan(0.5);
      expect(more).toBeLessThan(4);
    }
    expect(sdWith(2) / sdWith(1)).toBeGreaterThan(0.97);
  });
});

describe('inferSpool', () => {
  it('gives the priors back where nothing is known', () => {
    const { spool, deviation } = valueOf(inferSpool([]));
    expect(spool.lipRadius).toBeCloseTo(24, 3);
    expect(deviation.lipRadius / spool.lipRadius).toBeCloseTo(0.4, 2);
  });

  it('keeps a braid rating and a nylon rating apart: braid carries its own bulk', () => {
    const nylon = valueOf(inferSpool([{ kind: 'rating', length: 200, diameter: 0.2 }]));
    const braid = valueOf(inferSpool([{ kind: 'rating', length: 200, diameter: 0.2, material: 'braid' }]));
    // The same print for bulkier line means a larger spool.
    expect(braid.spool.lipRadius).toBeGreaterThan(nylon.spool.lipRadius * 1.02);
  });

  it('splits a surprising depth between packing and the mounted line by how sure each was', () => {
    const line = { key: 'x', material: 'braid', diameter: 0.2 } as const;
    const before = valueOf(inferSpool(WORKED_READINGS));
    const depth: Observation = { kind: 'depth', layers: [{ line, length: 250 }], depth: 0.4, by: 'calliper' };
    const after = valueOf(inferSpool([...WORKED_READINGS, depth]));
    const bulk = Math.log(Math.exp(after.vector[5]!) / 1.15) / 0.15;
    const packing = Math.log(after.spool.packing / before.spool.packing) / 0.1;
    expect(Math.abs(bulk)).toBeGreaterThan(0.1);
    // Less space per metre means denser packing; more means bulkier line: the two move apart.
    expect(Math.sign(bulk)).toBe(-Math.sign(packing));
  });

  it('gets surer with each reading', () => {
    const sds = WORKED.map(
      ({ known }) => valueOf(inferSpool(WORKED_READINGS.slice(0, known))).deviation.arborRadius,
    );
    expect(sds[2]!).toBeLessThan(sds[1]!);
    expect(sds[3]!).toBeLessThan(sds[2]!);
    expect(sds[4]!).toBeLessThan(sds[3]!);
  });

  it('says which rating disagrees, and by how much', () => {
    const { disagreement } = valueOf(
      inferSpool([
        { kind: 'rating', length: 210, diameter: 0.25 },
        { kind: 'rating', length: 146, diameter: 0.3 },
        { kind: 'rating', length: 230, diameter: 0.28 },
        ...WORKED_READINGS.slice(2),
      ]),
    );
    expect(disagreement?.index).toBe(2);
    expect(said(disagreement?.sentence)).toMatch(/The 0\.28 rating says \d+ % more than the rest\./);
  });

  it('finds nothing to point at where readings agree', () => {
    expect(valueOf(inferSpool(WORKED_READINGS)).disagreement).toBeNull();
  });

  it('takes a tapered arbor by the mean of its ends, and its full-spool retrieve', () => {
    const tapered = valueOf(
      inferSpool([
        { kind: 'lip', diameter: 46 },
        { kind: 'arbor', diameter: 24, farDiameter: 30 },
      ]),
    );
    expect(tapered.spool.arborRadius).toBeCloseTo((12 + 15) / 2, 1);
    const perTurn = (2 * Math.PI * 21.5 * 5.2) / 1000;
    expect(valueOf(inferSpool([{ kind: 'retrieve', perTurn, gear: 5.2 }])).spool.lipRadius).toBeCloseTo(
      23,
      0,
    );
  });
});

describe('inferSpool refuses what cannot be', () => {
  it.each<[string, Observation[], string]>([
    ['a rating of no length', [{ kind: 'rating', length: 0, diameter: 0.25 }], 'observation-out-of-range'],
    [
      'an arbor as wide as the lip',
      [
        { kind: 'lip', diameter: 46 },
        { kind: 'arbor', diameter: 46 },
      ],
      'arbor-not-inside-lip',
    ],
    [
      'more line than a solid spool',
      [
        { kind: 'lip', diameter: 30 },
        { kind: 'width', width: 8 },
        { kind: 'rating', length: 800, diameter: 0.4 },
      ],
      'capacity-exceeds-spool',
    ],
  ])('%s', (_, observations, code) => {
    const result = inferSpool(observations);
    expect(result.ok).toBe(false);
    expect(result.issues.map((issue) => issue.code)).toContain(code);
    expect(said(result.issues[0]?.sentence)).toMatch(/\.$/);
  });
});
