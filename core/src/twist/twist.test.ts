import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareSupply, type SupplyChoice } from './compare-supply';
import { twistLedger, type SupplyWay, type TwistSetup } from './twist-ledger';
import { said } from '../testing/examples';

const fixedSpool = (supply: SupplyWay, diameter = 45, slip = 0): TwistSetup => ({
  supply,
  reel: { sense: 1, diameter },
  cast: { overLip: true, sense: 1 },
  slip,
});
const overEnd = (sense: 1 | -1, diameter = 100): SupplyWay => ({ kind: 'over-end', sense, diameter });

describe('twistLedger', () => {
  it.each<[string, SupplyWay, number, number]>([
    ['matched', overEnd(1), -3.89, 3.18],
    ['mismatched', overEnd(-1), -10.26, -3.18],
    ['rolling', { kind: 'rolling' }, -7.07, 0],
  ])('%s on a fixed spool', (_, supply, onSpool, hanging) => {
    const twist = twistLedger(fixedSpool(supply));
    expect(twist.onSpool).toBeCloseTo(onSpool, 2);
    expect(twist.hanging).toBeCloseTo(hanging, 2);
  });

  it.each<[string, SupplyWay, number]>([
    ['rolling', { kind: 'rolling' }, 0],
    ['over the end', overEnd(1), 3.18],
  ])('%s on a spool that turns', (_, supply, twist) => {
    const ledger = twistLedger({ supply, reel: { sense: 0, diameter: 45 }, cast: { overLip: false } });
    expect(ledger.onSpool).toBeCloseTo(twist, 2);
    expect(ledger.hanging).toBeCloseTo(twist, 2);
  });

  it('adds a turn per slipped turn, which a cast does not take out', () => {
    const rolling = { kind: 'rolling' } as const;
    expect(twistLedger(fixedSpool(rolling, 45, 0.1)).onSpool).toBeCloseTo(-7.78, 2);
    expect(twistLedger(fixedSpool(rolling, 45, 0.1)).hanging).toBeCloseTo(-0.71, 2);
  });

  it('is zero on the spool with a rig that turns with the rotor, and doubled against it', () => {
    expect(twistLedger(fixedSpool({ kind: 'rig', withRotor: true })).onSpool).toBe(0);
    expect(twistLedger(fixedSpool({ kind: 'rig', withRotor: false })).onSpool).toBeCloseTo(-14.15, 2);
  });

  it('adds one turn per coil where a winder’s spool is cast over its lip', () => {
    const ledger = twistLedger({
      supply: overEnd(1),
      reel: { sense: 0, diameter: 45 },
      cast: { overLip: true, sense: 1 },
    });
    expect(ledger.hanging).toBeCloseTo((1000 / Math.PI) * (1 / 100 + 1 / 45), 9);
  });

  it('finds matched better than rolling on the spool only for a supply wider than half the reel', () => {
    expect(Math.abs(twistLedger(fixedSpool(overEnd(1, 20))).onSpool)).toBeCloseTo(8.84, 2);
    fc.assert(
      fc.property(
        fc.double({ min: 10, max: 150, noNaN: true }),
        fc.double({ min: 10, max: 150, noNaN: true }),
        (supply, reel) => {
          fc.pre(Math.abs(supply - reel / 2) > 0.01);
          const size = (way: SupplyWay): number => Math.abs(twistLedger(fixedSpool(way, reel)).onSpool);
          expect(size(overEnd(1, supply)) < size({ kind: 'rolling' })).toBe(supply > reel / 2);
        },
      ),
    );
  });

  it('changes sign with everything seen in a mirror', () => {
    const senses = fc.constantFrom(1 as const, -1 as const);
    fc.assert(
      fc.property(senses, senses, fc.double({ min: 20, max: 150, noNaN: true }), (s, r, diameter) => {
        const at = (mirror: 1 | -1): TwistSetup => ({
          supply: overEnd((s * mirror) as 1 | -1, diameter),
          reel: { sense: (r * mirror) as 1 | -1, diameter: 45 },
          cast: { overLip: true, sense: (r * mirror) as 1 | -1 },
        });
        expect(twistLedger(at(1)).onSpool).toBeCloseTo(-twistLedger(at(-1)).onSpool, 12);
        expect(twistLedger(at(1)).hanging).toBeCloseTo(-twistLedger(at(-1)).hanging, 12);
      }),
    );
  });
});

describe('compareSupply', () => {
  const choice: SupplyChoice = {
    reel: { sense: 1, diameters: [34, 45] },
    supply: { diameters: [120, 100] },
    castOverLip: true,
  };
  const bySpool = { judgeTwistBy: 'spool', supply: 'by-twist' } as const;

  it('is why the schools differ: matched by the spool, rolling by the cast', () => {
    expect(compareSupply(choice, bySpool).best).toBe('matched');
    expect(compareSupply(choice, { ...bySpool, judgeTwistBy: 'cast' }).best).toBe('rolling');
  });

  it('gives both columns at both ends, least twist first', () => {
    const { options } = compareSupply(choice, bySpool);
    expect(options.map(({ way }) => way)).toEqual(['matched', 'rolling', 'mismatched']);
    const [matched] = options;
    expect(matched!.start.onSpool).toBeCloseTo((1000 / Math.PI) * (1 / 120 - 1 / 34), 9);
    expect(matched!.end.onSpool).toBeCloseTo((1000 / Math.PI) * (1 / 100 - 1 / 45), 9);
  });

  it('takes the house’s settled way and says what it costs', () => {
    const advice = compareSupply(choice, { ...bySpool, supply: 'rolling' });
    expect(advice.best).toBe('rolling');
    expect(said(advice.sentence)).toContain('more twist as the line lies on the spool than over the end');
    expect(compareSupply(choice, { ...bySpool, supply: 'as-it-comes' }).best).toBe('matched');
  });

  it('offers the rig only where the bench has one and the rotor turns', () => {
    expect(compareSupply({ ...choice, rig: true }, bySpool).best).toBe('rig');
    expect(compareSupply(choice, { ...bySpool, supply: 'rig' }).best).toBe('matched');
    const baitcaster = compareSupply(
      { ...choice, reel: { sense: 0, diameters: [30, 36] }, castOverLip: false, rig: true },
      bySpool,
    );
    expect(baitcaster.best).toBe('rolling');
    expect(baitcaster.options.some(({ way }) => way === 'rig')).toBe(false);
  });
});
