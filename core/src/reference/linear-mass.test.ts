import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { solidMass, texOf } from '../mass/metres-from-mass';

// ISO 1144, Textiles: universal system for designating linear density (tex system): one tex is one gram per kilometre.
// A round strand's tex follows from density and diameter alone: tex = 250 π ρ d² with ρ in g/cm³ and d in mm.
// Densities are from memory.
describe('grams per metre', () => {
  it.each([
    ['nylon', 0.25, 1.14],
    ['nylon', 0.4, 1.14],
    ['fluorocarbon', 0.3, 1.78],
  ] as const)('of %s %s mm is its tex over a thousand', (material, diameter, density) => {
    const mass = solidMass({ key: 'x', material, diameter })!;
    expect(texOf(mass.gramsPerMetre)).toBeCloseTo(250 * Math.PI * density * diameter ** 2, 9);
  });

  it('puts about 18 m of 0.25 nylon into a gram', () => {
    expect(1 / solidMass({ key: 'x', material: 'nylon', diameter: 0.25 })!.gramsPerMetre).toBeCloseTo(
      17.9,
      1,
    );
  });

  it('goes with the square of the diameter', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 1.5, noNaN: true }), (diameter) => {
        const of = (d: number): number =>
          solidMass({ key: 'x', material: 'nylon', diameter: d })!.gramsPerMetre;
        expect(of(2 * diameter) / of(diameter)).toBeCloseTo(4, 9);
      }),
    );
  });
});
