import { describe, expect, it } from 'vitest';
import { simulateVisits, type GapError } from '../testing/shop-visits';

const errors = simulateVisits(60);
const at = (depthsRead: number, visit: number): GapError =>
  errors.find((error) => error.depthsRead === depthsRead && error.visit === visit)!;

describe('simulated shop visits', () => {
  it('end nearer the gap with each depth read', () => {
    expect(at(1, 1).median).toBeLessThan(at(0, 1).median);
    expect(at(2, 1).median).toBeLessThan(at(1, 1).median);
    expect(at(2, 1).ninetieth).toBeLessThan(0.6 * at(0, 1).ninetieth);
  });

  it('end nearer the gap on the second visit, whether or not a depth is read', () => {
    for (const depthsRead of [0, 1, 2]) {
      expect(at(depthsRead, 2).median).toBeLessThan(at(depthsRead, 1).median);
      expect(at(depthsRead, 3).ninetieth).toBeLessThan(at(depthsRead, 1).ninetieth);
    }
  });

  it('end within a third of a millimetre nine times in ten by the third visit', () => {
    expect(at(0, 3).ninetieth).toBeLessThan(0.33);
  });

  it('repeat to the digit', () => {
    expect(simulateVisits(3)).toEqual(simulateVisits(3));
    expect(simulateVisits(3, 5)).not.toEqual(simulateVisits(3));
  });
});
