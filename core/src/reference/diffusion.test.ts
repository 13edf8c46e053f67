import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cylinderUptake, soakHours, soakUptake } from '../soak/soak-uptake';

/**
 * Water into a cylinder by finite differences: shells of equal thickness, explicit steps, the surface held at
 * saturation. Knows neither series nor Bessel functions.
 *
 * @returns mean saturation at time T = D t/r²
 */
function shells(time: number, count = 120): number {
  const dr = 1 / count;
  const steps = Math.ceil(time / (0.2 * dr * dr));
  const dt = time / steps;
  let water = new Array<number>(count).fill(0);
  for (let step = 0; step < steps; step += 1) {
    const flow = (i: number): number => {
      // Into shell i − 1 through its outer face at radius i·dr; the outermost face is at saturation, half a shell away.
      if (i === count) return (1 * (1 - water[count - 1]!)) / (dr / 2);
      return i === 0 ? 0 : (i * dr * (water[i]! - water[i - 1]!)) / dr;
    };
    water = water.map((w, i) => w + (dt * (flow(i + 1) - flow(i))) / ((i + 0.5) * dr * dr));
  }
  return water.reduce((sum, w, i) => sum + w * ((i + 1) ** 2 - i ** 2), 0) * dr * dr;
}

// J. Crank, The Mathematics of Diffusion, 2nd edition, chapter 5: non-steady state in a cylinder.
describe('water into a cylinder', () => {
  it('is half way at the tabulated time Dt/r² = 0.0633', () => {
    expect(cylinderUptake(0.0633)).toBeCloseTo(0.5, 2);
  });

  it.each([0.002, 0.0099, 0.0101, 0.03, 0.0633, 0.2, 0.5])(
    'agrees with finite differences at Dt/r² = %s',
    (time) => {
      expect(Math.abs(cylinderUptake(time) - shells(time))).toBeLessThan(0.003);
    },
  );

  it('joins the short-time form and the series without a step', () => {
    expect(Math.abs(cylinderUptake(0.01) - cylinderUptake(0.01 - 1e-9))).toBeLessThan(1e-4);
  });

  it('only ever rises, from none to all', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        fc.double({ min: 1e-4, max: 0.5, noNaN: true }),
        (time, more) => {
          const before = cylinderUptake(time);
          const after = cylinderUptake(time + more);
          expect(after).toBeGreaterThan(before);
          expect(before).toBeGreaterThanOrEqual(0);
          expect(after).toBeLessThanOrEqual(1);
        },
      ),
    );
    expect(cylinderUptake(0)).toBe(0);
    expect(cylinderUptake(4)).toBeCloseTo(1, 9);
  });
});

// Diffusivity 2·10⁻¹³ m²/s from memory, good to a factor of three.
describe('soaking nylon', () => {
  it.each([
    [0.23, 2, 0.63],
    [0.23, 12, 0.98],
    [0.55, 2, 0.29],
    [0.55, 12, 0.64],
  ])('%s mm after %s h holds %s of what it can', (diameter, hours, share) => {
    expect(soakUptake(diameter, hours)!.share).toBeCloseTo(share, 2);
  });

  it('shows the range the diffusivity leaves', () => {
    const { low, high } = soakUptake(0.55, 12)!;
    expect(low).toBeCloseTo(0.4, 2);
    // Printed elsewhere as 91 %; both the series and the finite differences below say 90.5 %.
    expect(high).toBeCloseTo(0.905, 3);
    expect(shells((3 * 2e-13 * 12 * 3600) / 0.275e-3 ** 2)).toBeCloseTo(high, 2);
  });

  it('finds the hours that give a share', () => {
    expect(soakUptake(0.4, soakHours(0.4, 0.9))!.share).toBeCloseTo(0.9, 6);
  });

  it.each(['fluorocarbon', 'braid', 'hollow-braid'] as const)('says %s takes up none', (material) => {
    expect(soakUptake(0.3, 24, material)).toBeNull();
  });
});
