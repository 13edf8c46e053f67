import { describe, expect, it } from 'vitest';
import { WORKED } from '../testing/counter-examples';
import { turnsToPayOut } from '../testing/counter-shop';
import { windTapered } from '../testing/turn-by-turn';
import { lengthBetween, turnsBetween } from '../winding/winding';
import { lengthOut, payOut, topLength, type CounterSpool } from './paid-out';

describe('paying out', () => {
  it.each<[string, CounterSpool]>([
    ['shallow', { ...WORKED, layers: [{ inner: 17, area: 0.2 }] }],
    ['deep', { ...WORKED, outer: 30, layers: [{ inner: 8, area: 0.15 }] }],
    ['narrow', { ...WORKED, width: 9 }],
    ['wide', { ...WORKED, width: 60 }],
    [
      'backed',
      {
        ...WORKED,
        layers: [
          { inner: 17.5, area: 0.15 },
          { inner: 8, area: 0.4 },
        ],
      },
    ],
  ])('takes the turns that a %s spool gives one by one, to a tenth of a percent', (_, spool) => {
    for (const length of [5, 20, 30.48, 60]) {
      const { turns, length: out } = payOut(spool, length);
      const simulated = turnsToPayOut(spool, spool.outer, out);
      expect(Math.abs(turns / simulated - 1)).toBeLessThan(1e-3);
      expect(lengthOut(spool, turns)).toBeCloseTo(out, 9);
    }
  });

  it('takes the turns of a tapered spool, wound place by place, to half a percent', () => {
    const shape = { from: 9, to: 12, width: 24, area: 0.2 };
    const all = windTapered(shape, 1200);
    const spool: CounterSpool = {
      width: 24,
      lip: 30,
      outer: 10.5 + all.thickness,
      layers: [{ inner: 10.5, area: 0.2 }],
    };
    for (const turns of [100, 300, 600]) {
      const out = all.length - windTapered(shape, 1200 - turns).length;
      expect(Math.abs(payOut(spool, out).turns / turns - 1)).toBeLessThan(5e-3);
    }
  });

  it('ends where the line does, and knows where the join leaves', () => {
    const spool = {
      ...WORKED,
      layers: [
        { inner: 19, area: 0.2 },
        { inner: 18, area: 0.3 },
      ],
    };
    expect(topLength(spool)).toBeCloseTo(lengthBetween(25, 19, 20, 0.2), 9);
    const all = topLength(spool) + lengthBetween(25, 18, 19, 0.3);
    expect(payOut(spool, 500).length).toBeCloseTo(all, 9);
    expect(payOut(spool, 500).turns).toBeCloseTo(
      turnsBetween(25, 19, 20, 0.2) + turnsBetween(25, 18, 19, 0.3),
      9,
    );
  });
});
