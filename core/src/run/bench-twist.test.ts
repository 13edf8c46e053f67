import { describe, expect, it } from 'vitest';
import { readSlackTest } from '../twist/slack-test';
import { benchTwist } from './bench-twist';
import type { SupplySeen } from './run-state';

const SIZES = { reel: 45, supply: 100 };
const seen = (more: Partial<SupplySeen>): SupplySeen => ({
  way: 'over-end',
  supplyTurns: 'clockwise',
  reelTurns: 'clockwise',
  ...more,
});
const of = (more: Partial<SupplySeen>, type: 'fixed-spool' | 'baitcaster' = 'fixed-spool') =>
  benchTwist(seen(more), type, SIZES);

// Magnitudes of the worked case: 45 mm on the reel, 100 mm on the supply.
describe('twist from two observed rotations', () => {
  it('is 3.89 turned alike, 10.26 turned against, 7.07 rolling', () => {
    expect(Math.abs(of({}).asLaidOut.onSpool)).toBeCloseTo(3.89, 2);
    expect(Math.abs(of({ supplyTurns: 'anticlockwise' }).asLaidOut.onSpool)).toBeCloseTo(10.26, 2);
    expect(Math.abs(of({ way: 'rolling', supplyTurns: null }).asLaidOut.onSpool)).toBeCloseTo(7.07, 2);
    expect(of({}).asLaidOut.hanging).toBeCloseTo(3.18, 2);
  });

  it('knows the supply turned over as the other case, and both anticlockwise as alike', () => {
    const alike = of({ supplyTurns: 'anticlockwise', reelTurns: 'anticlockwise' });
    expect(alike.matched).toBe(true);
    expect(Math.abs(alike.asLaidOut.onSpool)).toBeCloseTo(3.89, 2);
    expect(Math.abs(alike.turnedOver.onSpool)).toBeCloseTo(10.26, 2);
    expect(of({ supplyTurns: 'anticlockwise' }).matched).toBe(false);
  });

  it('is none on a rig turned with the rotor, twice on one turned against it, none from a winder', () => {
    expect(of({ way: 'rig' }).asLaidOut.onSpool).toBeCloseTo(0, 9);
    expect(Math.abs(of({ way: 'rig', supplyTurns: 'anticlockwise' }).asLaidOut.onSpool)).toBeCloseTo(
      14.15,
      1,
    );
    expect(of({ way: 'winder' }).asLaidOut.onSpool).toBe(0);
  });

  it('comes only from the supply where the reel’s spool turns', () => {
    expect(Math.abs(of({}, 'baitcaster').asLaidOut.onSpool)).toBeCloseTo(3.18, 2);
    expect(of({ way: 'drag-reel', supplyTurns: null }, 'baitcaster').asLaidOut.onSpool).toBe(0);
  });

  it('tells a slack metre of the right way from the wrong one', () => {
    const { expected } = of({});
    const read = (plyTurns: number) =>
      readSlackTest({ pinched: 2, plyTurns, wound: 8, span: 1.5 }, expected).verdict;
    expect([read(4), read(10)]).toEqual(['as-laid-out', 'wrong-way']);
  });
});
