import { describe, expect, it } from 'vitest';
import { dragTooHigh } from './drag-limit';

describe('a drag above what the fill stands', () => {
  it('is above the weakest layer, or the knot in it', () => {
    expect(dragTooHigh(5, [4, 12])).toEqual({ weakest: 0, breaks: 4, knot: 3.4 });
    expect(dragTooHigh(3.5, [12, 4])).toMatchObject({ weakest: 1 });
  });

  it('is not below that, nor where nothing is known', () => {
    expect(dragTooHigh(3.4, [4, 12])).toBeNull();
    expect(dragTooHigh(30, [null, null])).toBeNull();
    expect(dragTooHigh(30, [null, NaN, -1])).toBeNull();
    expect(dragTooHigh(11, [null, 12])).toMatchObject({ weakest: 1 });
  });
});
