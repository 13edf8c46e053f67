import { describe, expect, it } from 'vitest';
import type { KnownCounter } from '../counter/counter-beliefs';
import { inferSpool } from '../spool/infer-spool';
import { turnsToPayOut } from '../testing/counter-shop';
import { BACKING, MAIN, valueOf, WORKED_READINGS } from '../testing/examples';
import { woundArea } from '../lines/line';
import { bulkIn } from '../spool/estimate';
import { counterAim } from './counter-aim';
import { planFill } from './plan-fill';

const spool = valueOf(inferSpool(WORKED_READINGS.slice(0, 4)));
const planTo = (gap: number) =>
  valueOf(
    planFill(spool, {
      layers: [
        { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 'fits' },
        { kind: 'line', id: 'main', role: 'main', line: MAIN, length: 90 },
      ],
      gap,
      gear: 4,
    }),
  );
const { lipRadius, width, packing } = spool.spool;
const area = woundArea(MAIN.diameter, bulkIn(spool, MAIN), packing);
/** Turns that 30 m take off the main at this gap, one by one. */
const turnsAt = (gap: number): number =>
  turnsToPayOut({ width, layers: [{ inner: 1, area }] }, lipRadius - gap, 30);
const known = (gap: number): KnownCounter => ({
  unit: 'm',
  step: 1,
  match: 30,
  sd: 0.01,
  from: 'kind',
  perTurn: 30 / turnsAt(gap),
});

describe('a fill aimed at its counter', () => {
  it.each([1.2, 2.5, 4])('comes to the gap of %s mm at which 30 m read 30', (gap) => {
    let aimed = 1.5;
    for (let i = 0; i < 3; i += 1) aimed = counterAim(spool, planTo(aimed), known(gap))!;
    expect(aimed).toBeCloseTo(gap, 2);
  });

  it('is left to the house where no sensible level agrees', () => {
    expect(counterAim(spool, planTo(1.5), known(-1))).toBeNull();
    expect(counterAim(spool, planTo(1.5), known(9))).toBeNull();
  });
});
