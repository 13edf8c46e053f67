import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { woundArea } from '../lines/line';
import { knownSpool } from '../spool/estimate';
import { BACKING, MAIN, valueOf, WORKED_SPOOL } from '../testing/examples';
import { windTurns } from '../testing/turn-by-turn';
import { lengthBetween } from '../winding/winding';
import { planSwap } from './plan-swap';

const SPOOL = { lipRadius: 23, width: 16.5, arborRadius: 16, packing: 0.7, ratingDepth: 1.5 };

/** Main that fills 67.5 % of the space below the gap. */
const mainFor = (gap: number): number =>
  0.675 * lengthBetween(SPOOL.width, SPOOL.arborRadius, SPOOL.lipRadius - gap, woundArea(0.26, 1, 0.7));

const swap = (gap: number) =>
  valueOf(
    planSwap(knownSpool(SPOOL), { main: MAIN, backing: BACKING, mainLength: mainFor(gap), gap, gear: 5 }),
  );

describe('planSwap', () => {
  it.each([
    [0, 1.272, 0.22],
    [1.5, 1.218, 0.19],
  ])('at a gap of %s mm takes %s times the turns at the arbor', (gap, factor, short) => {
    expect(swap(gap).turnsFactor).toBeCloseTo(factor, 3);
    expect(Math.abs(swap(gap).shortIfReused - short)).toBeLessThan(0.01);
  });

  it('keeps metres: both windings hold the same lengths and end alike', () => {
    const { first, second } = swap(1.5);
    expect(second.total).toBeCloseTo(first.total, 9);
    expect(second.gap.value).toBeCloseTo(first.gap.value, 9);
  });

  it('has the factor of winding it turn by turn', () => {
    const { first, second, shortIfReused } = swap(0);
    const area = woundArea(BACKING.diameter, 1, SPOOL.packing);
    const reused = windTurns(SPOOL.width, SPOOL.arborRadius, area, first.layers[1]!.spoolTurns);
    expect(1 - reused.length / second.layers[0]!.length.value).toBeCloseTo(shortIfReused, 6);
  });

  it('never takes fewer turns at the arbor than at the lip', () => {
    fc.assert(
      fc.property(fc.double({ min: 10, max: 190, noNaN: true }), (mainLength) => {
        const plan = planSwap(knownSpool(WORKED_SPOOL), {
          main: MAIN,
          backing: BACKING,
          mainLength,
          gap: 1,
          gear: 1,
        });
        expect(valueOf(plan).turnsFactor).toBeGreaterThanOrEqual(1);
      }),
    );
  });

  it('passes on why a swap cannot be planned', () => {
    const plan = planSwap(knownSpool(SPOOL), {
      main: MAIN,
      backing: BACKING,
      mainLength: -4,
      gap: 1,
      gear: 5,
    });
    expect(plan.ok).toBe(false);
    expect(plan.issues[0]?.code).toBe('layer-out-of-range');
  });
});
