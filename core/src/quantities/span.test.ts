import { describe, expect, it } from 'vitest';
import { spanText } from './span';

describe('A span of time', () => {
  it.each([
    [0, '0 min'],
    [59.4, '59 min'],
    [59.6, '1 h'],
    [73, '1 h 13 min'],
    [-73, '1 h 13 min'],
    [180, '3 h'],
    [1439.6, '1 day'],
    [29 * 60, '1 day 5 h'],
    [3 * 1440 + 20, '3 days'],
  ])('of %d minutes is told as %s', (minutes, text) => {
    expect(spanText(minutes)).toBe(text);
  });
});
