import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf, said } from '../testing/examples';
import { learnMass, metresFromMass, solidMass, type WeighIn } from './metres-from-mass';

const NYLON = { key: 'n', material: 'nylon', diameter: 0.25 } as const;
const BRAID = { key: 'b', material: 'braid', diameter: 0.2 } as const;

describe('metresFromMass', () => {
  it('gives the metres left on a dry spool, with a range', () => {
    const metres = valueOf(metresFromMass(NYLON, { gross: 100, tare: 50 }));
    expect(metres.value).toBeCloseTo(50 / solidMass(NYLON)!.gramsPerMetre, 9);
    expect(metres.low).toBeLessThan(metres.value);
    expect(metres.high).toBeGreaterThan(metres.value);
  });

  it('is never surer than the scale', () => {
    const { sd } = valueOf(
      metresFromMass(NYLON, { gross: 51, tare: 50, scaleSd: 2 }, { gramsPerMetre: 0.05, sd: 0 }),
    );
    expect(sd).toBeCloseTo(40, 9);
  });

  it.each<[string, WeighIn, string]>([
    ['a wet spool', { gross: 300, tare: 50, wet: true }, 'wet-spool'],
    ['less than the empty spool', { gross: 40, tare: 50 }, 'below-tare'],
    ['a weight that is no number', { gross: NaN, tare: 50 }, 'mass-out-of-range'],
    ['a negative tare', { gross: 40, tare: -1 }, 'mass-out-of-range'],
  ])('refuses %s with a sentence', (_, weighIn, code) => {
    const result = metresFromMass(NYLON, weighIn);
    expect(result.ok).toBe(false);
    expect(result.issues[0]).toMatchObject({ code });
    expect(said(result.issues[0]!.sentence)).toMatch(/\.$/);
  });

  it('refuses wet braid, which holds water between its strands', () => {
    const wet = metresFromMass(BRAID, { gross: 60, tare: 50, wet: true }, { gramsPerMetre: 0.02, sd: 0.01 });
    expect(wet.issues[0]?.code).toBe('wet-spool');
  });

  it('weighs wet fluorocarbon, which takes up next to no water', () => {
    const line = { key: 'f', material: 'fluorocarbon', diameter: 0.3 } as const;
    expect(metresFromMass(line, { gross: 200, tare: 50, wet: true }).ok).toBe(true);
  });

  it('asks for a weighed length of braid first, and uses it then', () => {
    expect(metresFromMass(BRAID, { gross: 100, tare: 50 }).issues[0]?.code).toBe('mass-not-learned');
    const learned = learnMass([{ metres: 150, grams: 3 }])!;
    expect(valueOf(metresFromMass(BRAID, { gross: 56, tare: 50 }, learned)).value).toBeCloseTo(300, 9);
  });

  it('gives back the length of what was weighed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 3000, noNaN: true }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        (metres, tare) => {
          const gross = tare + metres * solidMass(NYLON)!.gramsPerMetre;
          expect(valueOf(metresFromMass(NYLON, { gross, tare })).value).toBeCloseTo(metres, 6);
        },
      ),
    );
  });
});

describe('learnMass', () => {
  it('adds samples up and gets surer', () => {
    const one = learnMass([{ metres: 100, grams: 10 }])!;
    const two = learnMass([
      { metres: 100, grams: 10 },
      { metres: 200, grams: 20 },
    ])!;
    expect(two.gramsPerMetre).toBeCloseTo(0.1, 12);
    expect(two.sd).toBeLessThan(one.sd);
  });

  it('is less sure of samples that disagree than of one alone', () => {
    const apart = learnMass([
      { metres: 100, grams: 10 },
      { metres: 100, grams: 20 },
    ])!;
    expect(apart.gramsPerMetre).toBeCloseTo(0.15, 12);
    expect(apart.sd).toBeGreaterThan(0.3);
  });

  it('learns nothing from nothing', () => {
    expect(learnMass([])).toBeNull();
    expect(learnMass([{ metres: 0, grams: 4 }])).toBeNull();
  });
});
