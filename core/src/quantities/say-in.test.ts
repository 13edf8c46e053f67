import { describe, expect, it } from 'vitest';
import { formatQuantity } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import { sayIn } from './say-in';

describe('a sentence in a person’s own units', () => {
  it.each([
    [
      'The main is 3 m longer than fits below the gap.',
      'The main is 3\u00a0yd longer than fits below the gap.',
    ],
    ['Set the drag to 4.1 kg against a straight pull.', 'Set the drag to 9\u00a0lb against a straight pull.'],
    ['people work between 2.0 and 2.7 kg', 'people work between 4 and 6\u00a0lb'],
    ['It comes out 1.6 mm below the lip.', 'It comes out 1/16\u00a0in below the lip.'],
    ['Piece P-1 has 1,200 m free', 'Piece P-1 has 1,312\u00a0yd free'],
    ['210 × 0.25 is 13.1 m·mm²', '210 × 0.25 is 13.1 m·mm²'],
    ['4 more, R-7, 15 turns', '4 more, R-7, 15 turns'],
  ])('%s', (metric, imperial) => {
    expect(sayIn(metric, 'imperial')).toBe(imperial);
    expect(sayIn(metric, 'metric')).toBe(metric);
  });
});

describe('small lengths in inches', () => {
  it.each([
    [1.5875, '1/16'],
    [3.175, '1/8'],
    [4.7625, '3/16'],
    [0.79375, '1/32'],
    [25.4, '1'],
    [26.9875, '1\u00a01/16'],
    [46, '1\u00a013/16'],
    [6.1, '0.240'],
    [0, '0'],
  ])('%d mm is %s in', (millimetres, shown) => {
    expect(formatQuantity(millimetres, 'small-length', 'imperial').number).toBe(shown);
  });

  it('are read again as what was shown, within a tenth of a millimetre', () => {
    for (let mm = 0.3; mm < 60; mm += 0.37) {
      const read = parseQuantity(
        formatQuantity(mm, 'small-length', 'imperial').text,
        'small-length',
        'imperial',
      );
      expect(read.ok && Math.abs(read.value.value - mm)).toBeLessThan(0.11);
    }
  });

  it('a bare fraction means inches, whatever the units are', () => {
    for (const system of ['metric', 'imperial'] as const) {
      const read = parseQuantity('1/8', 'small-length', system);
      expect(read.ok && read.value).toMatchObject({ value: 3.175, unit: 'in' });
    }
    const bare = parseQuantity('1.5', 'small-length', 'metric');
    expect(bare.ok && bare.value.unit).toBe('mm');
  });
});
