import { describe, expect, it } from 'vitest';
import { USUAL_PLAN_RULES } from '../plan/plan-rules';
import { planFill } from '../plan/plan-fill';
import { planSwap } from '../plan/plan-swap';
import { knownSpool } from '../spool/estimate';
import { arborForCapacity } from '../spool/spool-geometry';
import { valueOf } from '../testing/examples';

// Common practice, no source: figures people at the bench work to, each against what the model makes of it.
describe('figures of the bench', () => {
  it('100 yd is the least a reel should hold', () => {
    expect(USUAL_PLAN_RULES.leastTotal).toBeCloseTo(100 * 0.9144, 9);
  });

  it('a reverse fill counted at 100 handle turns is about 72 m, 0.72 m a turn', () => {
    // A spool marked 150 m of 0.28 with 150 m of 0.23 on the arbor and 0.23 backing on top of it, to the lip.
    const shape = { lipRadius: 23, width: 16, packing: 0.7, ratingDepth: 0 };
    const spool = { ...shape, arborRadius: arborForCapacity(shape, 150 * 0.28 ** 2)! };
    const line = (key: string) => ({ key, material: 'nylon', diameter: 0.23 }) as const;
    const { first } = valueOf(
      planSwap(knownSpool(spool), {
        main: line('main'),
        backing: line('backing'),
        mainLength: 150,
        gap: 0,
        gear: 5,
      }),
    );
    const backing = first.layers[1]!;
    expect(backing.length.value).toBeCloseTo(72.3, 1);
    expect(backing.length.value / backing.handleTurns.value).toBeCloseTo(0.72, 1);
    expect(Math.abs(backing.handleTurns.value - 100)).toBeLessThan(6);
  });

  it('about a quarter of a small spool of braid over backing is backing', () => {
    const shape = { lipRadius: 22, width: 15, packing: 0.7, ratingDepth: 1.5 };
    const spool = { ...shape, arborRadius: arborForCapacity(shape, 200 * 0.25 ** 2)! };
    const plan = valueOf(
      planFill(knownSpool(spool), {
        gap: 1.5,
        gear: 5,
        layers: [
          {
            kind: 'line',
            id: 'backing',
            role: 'backing',
            line: { key: 'b', material: 'nylon', diameter: 0.25 },
            length: 'fits',
          },
          {
            kind: 'line',
            id: 'main',
            role: 'main',
            line: { key: 'm', material: 'braid', diameter: 0.24 },
            length: 137,
          },
        ],
      }),
    );
    const { innerRadius, outerRadius } = plan.layers[0]!;
    const full = spool.lipRadius - 1.5;
    const share = (outerRadius ** 2 - innerRadius ** 2) / (full ** 2 - spool.arborRadius ** 2);
    expect(share).toBeGreaterThan(0.15);
    expect(share).toBeLessThan(0.3);
  });
});
