import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { BACKING, MAIN, valueOf, WORKED_SPOOL } from '../testing/examples';
import type { FillPlan } from './fill-plan';
import { planFill } from './plan-fill';

const braid = { key: 'braid', material: 'braid', diameter: 0.26 } as const;

function planOf(soaked: number, main: typeof MAIN | typeof braid = MAIN): FillPlan {
  return valueOf(
    planFill(knownSpool(WORKED_SPOOL), {
      layers: [
        { kind: 'line', id: 'backing', role: 'backing', line: BACKING, length: 'fits', soaked },
        { kind: 'line', id: 'main', role: 'main', line: main, length: 100, soaked },
      ],
      gap: 1.5,
      gear: 5,
    }),
  );
}

describe('the gap a fill comes to when it is wet', () => {
  it('closes by the area nylon swells', () => {
    const { wetGap } = planOf(0);
    const full = 21.5 ** 2 - WORKED_SPOOL.arborRadius ** 2;
    const wet = (swelling: number): number =>
      23 - Math.sqrt(WORKED_SPOOL.arborRadius ** 2 + full * (1 + swelling) ** 2);
    expect(wetGap!.high).toBeCloseTo(wet(0.01), 9);
    expect(wetGap!.low).toBeCloseTo(wet(0.03), 9);
  });

  it('stays where line was soaked to the full first', () => {
    const { wetGap } = planOf(1);
    expect(wetGap!.low).toBeCloseTo(1.5, 9);
    expect(wetGap!.high).toBeCloseTo(1.5, 9);
  });

  it('moves less the more it was soaked', () => {
    const dry = planOf(0).wetGap!;
    const half = planOf(0.5).wetGap!;
    expect(half.low).toBeGreaterThan(dry.low);
    expect(half.low).toBeLessThan(1.5);
  });

  it('moves only by the nylon under braid, and not at all without nylon', () => {
    expect(planOf(0, braid).wetGap!.low).toBeGreaterThan(planOf(0).wetGap!.low);
    const bare = valueOf(
      planFill(knownSpool(WORKED_SPOOL), {
        layers: [{ kind: 'line', id: 'main', role: 'main', line: braid, length: 'fits' }],
        gap: 1.5,
        gear: 5,
      }),
    );
    expect(bare.wetGap).toBeNull();
  });
});
