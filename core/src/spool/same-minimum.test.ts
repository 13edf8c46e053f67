import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { typedReadings, type TypedReadings } from '../testing/random-readings';
import { simplexMinimum } from '../testing/simplex';
import { forecastOf } from './forecast';
import { inferSpool } from './infer-spool';
import type { Observation } from './observation';
import { priorsFor } from './priors';
import { unknownsOf } from './unknowns';

const nextOf = (readings: Generator<TypedReadings, never>): TypedReadings => readings.next().value;

describe('the end of an inference', () => {
  it.each<[string, Observation[], { lip: number; arbor: number; width: number; packing: number }]>([
    [
      'a shallow spool printed 100 m of 0.165',
      [
        { kind: 'rating', length: 100, diameter: 0.165 },
        { kind: 'lip', diameter: 45.4 },
        { kind: 'width', width: 16.5 },
      ],
      { lip: 22.7, arbor: 19.4, width: 16.5, packing: 0.69 },
    ],
    [
      'a shallow spool printed 75 m of 0.13',
      [
        { kind: 'rating', length: 75, diameter: 0.13 },
        { kind: 'lip', diameter: 36 },
        { kind: 'width', width: 15 },
      ],
      { lip: 18, arbor: 15.1, width: 15, packing: 0.69 },
    ],
  ])('is the minimum for %s', (_, observations, { lip, arbor, width, packing }) => {
    const { spool } = valueOf(inferSpool(observations));
    expect(spool.lipRadius).toBeCloseTo(lip, 1);
    expect(Math.abs(spool.arborRadius - arbor)).toBeLessThan(0.1);
    expect(spool.width).toBeCloseTo(width, 1);
    expect(spool.packing).toBeCloseTo(packing, 2);
  });

  it('believes no baitcaster to have the lip of a surf reel, whatever is printed on it', () => {
    const print: Observation = { kind: 'rating', length: 165, diameter: 0.33 };
    const { spool } = valueOf(inferSpool([print], priorsFor('baitcaster')));
    expect(2 * spool.lipRadius).toBeLessThan(43);
    expect(2 * valueOf(inferSpool([print])).spool.lipRadius).toBeGreaterThan(50);
  });

  /** Cost of a vector told in standard deviations from the beliefs' middle. */
  const costOf = (observations: readonly Observation[], type: Parameters<typeof priorsFor>[0]) => {
    const unknowns = unknownsOf(observations, priorsFor(type));
    const forecasts = observations.map(forecastOf);
    const steps = (vector: readonly number[]): number[] =>
      vector.map((value, i) => (value - unknowns.mean[i]!) / unknowns.sd[i]!);
    const cost = (at: readonly number[]): number => {
      const world = unknowns.worldOf(at.map((step, i) => unknowns.mean[i]! + step * unknowns.sd[i]!));
      const sum = [...forecasts.map((forecast) => forecast(world)), ...at].reduce(
        (all, one) => all + one ** 2,
        0,
      );
      return Number.isFinite(sum) ? sum : 1e30;
    };
    return { cost, steps, size: unknowns.mean.length };
  };

  it('is the same as an independent optimiser’s best of several starts, shallow to deep, mistyped or not', () => {
    const readings = typedReadings(2024);
    let compared = 0;
    while (compared < 45) {
      const { type, observations } = nextOf(readings);
      const result = inferSpool(observations, priorsFor(type));
      if (!result.ok) {
        // Typed in, it cannot be; it is never given up on.
        expect(result.issues.map(({ code }) => code)).not.toContain('does-not-settle');
        continue;
      }
      compared += 1;
      const { cost, steps, size } = costOf(observations, type);
      const mine = cost(steps(result.value.vector));
      for (const start of [0, 1, 2]) {
        const from = Array.from({ length: size }, (_, i) =>
          start === 0 ? 0 : 2 * Math.sin(17.3 * start + 5.1 * i),
        );
        expect(mine).toBeLessThan(simplexMinimum(cost, from).cost * (1 + 1e-4) + 1e-6);
      }
    }
  }, 60_000);

  it('settles for two thousand sets of readings, most of them shallow', () => {
    const readings = typedReadings(7, { from: 0.6, to: 0.95 });
    for (let i = 0; i < 2000; i += 1) {
      const { type, observations } = nextOf(readings);
      const codes = inferSpool(observations, priorsFor(type)).issues.map(({ code }) => code);
      expect(codes).not.toContain('does-not-settle');
    }
  }, 60_000);
});
