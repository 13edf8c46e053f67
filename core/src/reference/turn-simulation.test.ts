import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { woundArea } from '../lines/line';
import { planFill } from '../plan/plan-fill';
import { knownSpool } from '../spool/estimate';
import { BACKING, MAIN, valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { windLength, windTurns } from '../testing/turn-by-turn';
import { lengthAfterTurns, radiusAfter, turnsBetween } from '../winding/winding';

// Checked against a simulation that winds one turn after another and knows no closed form. No open data set of
// measured reel spools is known to check against.
const spools = fc.record({
  width: fc.double({ min: 6, max: 60, noNaN: true }),
  start: fc.double({ min: 6, max: 40, noNaN: true }),
  area: fc.double({ min: 0.01, max: 1, noNaN: true }),
});

describe('winding in closed form is what turn after turn comes to', () => {
  it('has the length and radius of any number of turns', () => {
    fc.assert(
      fc.property(spools, fc.double({ min: 0, max: 3000, noNaN: true }), ({ width, start, area }, turns) => {
        const wound = windTurns(width, start, area, turns);
        expect(lengthAfterTurns(width, start, area, turns)).toBeCloseTo(wound.length, 6);
        expect(radiusAfter(width, start, area, wound.length)).toBeCloseTo(wound.radius, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('has the turns of any length', () => {
    fc.assert(
      fc.property(spools, fc.double({ min: 1, max: 400, noNaN: true }), ({ width, start, area }, length) => {
        const wound = windLength(width, start, area, length);
        const outer = radiusAfter(width, start, area, length);
        const turns = turnsBetween(width, start, outer, area);
        expect(Math.abs(turns - wound.turns)).toBeLessThan(0.01 + 1e-5 * turns);
      }),
      { numRuns: 60 },
    );
  });
});

describe('the exact plan wound turn by turn', () => {
  const [backing, main] = valueOf(planFill(knownSpool(WORKED_SPOOL), WORKED_REQUEST)).layers;

  it('ends at its join and at its gap after the turns it says', () => {
    const area = (diameter: number): number => woundArea(diameter, 1, WORKED_SPOOL.packing);
    const { width, arborRadius, lipRadius } = WORKED_SPOOL;
    const join = windTurns(width, arborRadius, area(BACKING.diameter), backing!.spoolTurns);
    expect(lipRadius - join.radius).toBeCloseTo(6.069, 3);
    expect(join.length).toBeCloseTo(81.77, 2);
    const end = windTurns(width, join.radius, area(MAIN.diameter), main!.spoolTurns);
    expect(lipRadius - end.radius).toBeCloseTo(1.5, 3);
    expect(end.length).toBeCloseTo(120, 2);
  });
});
