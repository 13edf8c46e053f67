import { describe, expect, it } from 'vitest';
import { lengthBetween } from '../winding/winding';

/**
 * Source: drum capacity as wire-rope handbooks give it, L[ft] = (A + D)·A·B·K with K = 0.2618/(d + oversize)² in inches
 * (Wire Rope Technical Board, Wire Rope Users Manual; title and table from memory). A is the depth of rope, D the drum's
 * diameter, B the width between flanges.
 */
const TABLE: readonly (readonly [rope: number, oversize: number, tabulated: number])[] = [
  [1 / 4, 1 / 32, 3.29],
  [5 / 16, 1 / 32, 2.21],
  [3 / 8, 1 / 32, 1.58],
  [7 / 16, 1 / 32, 1.19],
  [1 / 2, 1 / 32, 0.925],
  [9 / 16, 1 / 32, 0.741],
  [5 / 8, 1 / 32, 0.607],
  [3 / 4, 1 / 32, 0.428],
  [7 / 8, 3 / 64, 0.308],
  [1, 3 / 64, 0.239],
];
const INCH = 25.4;
const FOOT = 0.3048;

/** The handbook's K of one rope, from our winding rule: square packing of the oversize rope. */
function handbookK(rope: number, oversize: number): number {
  const depth = 3;
  const drum = 12;
  const width = 10;
  const square = ((rope + oversize) * INCH) ** 2;
  const metres = lengthBetween(width * INCH, (drum / 2) * INCH, (drum / 2 + depth) * INCH, square);
  return metres / FOOT / ((depth + drum) * depth * width);
}

describe('drum capacity of wire-rope handbooks', () => {
  it.each(TABLE)('rope of %f in, oversize %f in: K %f within 1 %%', (rope, oversize, tabulated) => {
    expect(handbookK(rope, oversize) / tabulated).toBeGreaterThan(0.99);
    expect(handbookK(rope, oversize) / tabulated).toBeLessThan(1.01);
  });
});
