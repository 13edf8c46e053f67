import type { UnitSystem } from '@yard-spool/core';
import { asRows, printsIn, printToChoose, settleRating, withReading } from './rating-text';

describe('settleRating', () => {
  it.each<[string, UnitSystem, string]>([
    ['208 x 0.25', 'metric', '208 m × 0.25 mm'],
    ['0.25/208', 'metric', '208 m × 0.25 mm'],
    ['230 × .010', 'imperial', '230 yd × .010 in'],
    ['208,5 * 0,25', 'metric', '208,5 m × 0,25 mm'],
    ['208 m x 0.25 mm', 'imperial', '208 m x 0.25 mm'],
    ['lots', 'metric', 'lots'],
    ['', 'metric', ''],
  ])('%s in %s becomes %s', (typed, system, settled) => {
    expect(settleRating(typed, system)).toBe(settled);
  });

  it.each<[string, UnitSystem, UnitSystem]>([
    ['230 x 0.25', 'metric', 'imperial'],
    ['230 x 0.012', 'imperial', 'metric'],
  ])('%s in %s means the same after a switch to %s', (typed, system, other) => {
    const meant = printsIn(typed, system, 'nylon')[0]!.readings[0];
    const again = printsIn(settleRating(typed, system), other, 'nylon')[0]!.readings[0];
    expect([again.length, again.diameter]).toEqual([meant.length, meant.diameter]);
  });

  it.each(['8/140', '6/230 8/170 10/140', 'PE 1.5/200', '0.3/200'])('%s stays as it was typed', (typed) => {
    expect(settleRating(typed, 'metric')).toBe(typed);
  });
});

describe('a print that can be read in more than one way', () => {
  it('is asked about, and stands as it was chosen', () => {
    const typed = '210 m × 0.25 mm, 0.3/200';
    const choose = printToChoose([typed], 'metric', 'nylon')!;
    expect(choose.text).toBe('0.3/200');
    const size = choose.readings.find(({ printed }) => printed)!;
    const prints = printsIn(typed, 'metric', 'nylon');
    const settled = withReading(
      prints,
      prints.find(({ sure }) => !sure)!,
      size.text,
    );
    expect(printToChoose([settled], 'metric', 'nylon')).toBeUndefined();
    expect(printsIn(settled, 'metric', 'nylon').map(({ readings: [one] }) => one.printed?.system)).toEqual([
      undefined,
      'size',
    ]);
  });
});

describe('what is pasted into one line', () => {
  it('keeps its rows, and each is a print under the heading', () => {
    const line = asRows('lb\tyds\r\n8\t170\r\n10\t140\r\n');
    expect(line).not.toMatch(/[\r\n]/);
    const prints = printsIn(line, 'metric', 'nylon');
    expect(prints.map(({ readings: [one] }) => one.words)).toEqual([
      expect.stringContaining('170 yd of 8 lb'),
      expect.stringContaining('140 yd of 10 lb'),
    ]);
  });
});
