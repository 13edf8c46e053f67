import { describe, expect, it } from 'vitest';
import { layerSum } from '../winding/layer-sum';
import { lengthBetween } from '../winding/winding';

describe('the exact sum over layers', () => {
  // Source: geometry of square packing, summed turn by turn; worked figure 139.22 m.
  it('agrees with the closed form for 20 layers of 0.28 mm on R0 16, W 16.5', () => {
    const sum = layerSum({ inner: 16, width: 16.5, pitch: 0.28, height: 0.28, layers: 20 });
    const closed = lengthBetween(16.5, 16, 16 + 20 * 0.28, 0.28 ** 2);
    expect(sum).toBeCloseTo(139.22, 2);
    expect(closed).toBeCloseTo(139.22, 2);
  });
});

describe('the length of any wound roll', () => {
  // Source: L = π (D² − d²)/(4 t), in any text on web handling; title not known.
  it('is the closed form with the web’s thickness for wound area per width', () => {
    const outer = 120;
    const core = 76;
    const thickness = 0.05;
    const width = 24;
    const roll = (Math.PI * (outer ** 2 - core ** 2)) / (4 * thickness) / 1000;
    expect(lengthBetween(width, core / 2, outer / 2, thickness * width)).toBeCloseTo(roll, 9);
  });
});
