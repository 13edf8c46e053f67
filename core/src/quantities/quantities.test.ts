import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { formatCount, formatDiameter, formatQuantity, formatSpread, fromTo } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import { UNIT_SYSTEMS, type Dimension, type UnitSystem } from './units';

it('a range whose ends are told alike is told once, and no tenth of an inch to its thousandth', () => {
  expect(fromTo('1/16 in', '1/16 in')).toBe('about 1/16 in');
  expect(formatSpread(42.07, 3.63, 'thousandths')).toBe('1.66 ± 0.14\u00a0in');
});

describe('parseQuantity', () => {
  it.each<[string, Dimension, UnitSystem, number]>([
    ['150 m', 'line-length', 'metric', 150],
    ['165yd', 'line-length', 'metric', 165 * 0.9144],
    ['165', 'line-length', 'imperial', 165 * 0.9144],
    ['100 ft', 'line-length', 'metric', 30.48],
    ['1,000 yds', 'line-length', 'metric', 914.4],
    ['300y', 'line-length', 'metric', 274.32],
    ['8#', 'strength', 'metric', 8 * 0.45359237],
    ['8 lb test', 'strength', 'metric', 8 * 0.45359237],
    ['8', 'strength', 'imperial', 8 * 0.45359237],
    ['PE 1.5', 'small-length', 'imperial', 0.165 * Math.sqrt(1.5)],
    ['.28', 'small-length', 'metric', 0.28],
    ['0,28 mm', 'small-length', 'metric', 0.28],
    ['0.011in', 'small-length', 'metric', 0.2794],
    ['1/16"', 'small-length', 'metric', 1.5875],
    ['1 1/2 in', 'small-length', 'metric', 38.1],
    ['12 lb', 'strength', 'metric', 5.44310844],
    ['6.1kg', 'strength', 'imperial', 6.1],
    ['5.2:1', 'ratio', 'metric', 5.2],
    ['1,310.5 m', 'line-length', 'metric', 1310.5],
    ['1 310 m', 'line-length', 'metric', 1310],
    ['250', 'count', 'metric', 250],
    ['1,310', 'line-length', 'metric', 1310],
    ['1,200 yd', 'line-length', 'metric', 1097.28],
    ['12,400 g', 'mass', 'imperial', 12_400],
    ['−2.2 mm', 'small-length', 'metric', -2.2],
    [`0'3"`, 'small-length', 'metric', 76.2],
    [`5'6"`, 'line-length', 'metric', 1.6764],
    ['5 ft 6 in', 'line-length', 'imperial', 1.6764],
    [`100'`, 'line-length', 'metric', 30.48],
    ['a sixteenth', 'small-length', 'metric', 1.5875],
    ['an eighth of an inch', 'small-length', 'metric', 3.175],
    ['three thirty-seconds', 'small-length', 'metric', 2.38125],
    ['flush', 'small-length', 'imperial', 0],
  ])('%s as %s in %s', (text, dimension, system, value) => {
    const quantity = valueOf(parseQuantity(text, dimension, system));
    expect(quantity.value).toBeCloseTo(value, 10);
    expect(quantity.text).toBe(text.trim());
  });

  it.each<[string, Dimension, string]>([
    ['', 'line-length', 'empty'],
    ['some', 'line-length', 'not-a-number'],
    ['1,310', 'small-length', 'ambiguous'],
    ['12 stone', 'strength', 'unknown-unit'],
    ['1/0 in', 'small-length', 'not-a-number'],
    ['5:', 'ratio', 'not-a-ratio'],
    ['4 m', 'count', 'unknown-unit'],
    ['--3', 'line-length', 'not-a-number'],
    ['1.2.3', 'line-length', 'not-a-number'],
  ])('answers %j for %s with a sentence, not NaN', (text, dimension, code) => {
    const read = parseQuantity(text, dimension);
    expect(read.ok).toBe(false);
    expect(read.issues[0]).toMatchObject({ code, severity: 'error' });
    expect(read.issues[0]!.sentence).toMatch(/\.$/);
  });

  it('says the range in the unit that was typed', () => {
    const read = parseQuantity('9 in', 'small-length', 'metric', { min: 12.7, max: 127 });
    expect(read.issues[0]?.sentence).toBe('9 in is outside what this takes: from 0.5 in to 5 in.');
  });

  it('reads back what it shows, to the digits shown', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 9000, noNaN: true }),
        fc.constantFrom<UnitSystem>(...UNIT_SYSTEMS),
        (metres, system) => {
          const shown = formatQuantity(metres, 'line-length', system);
          const back = valueOf(parseQuantity(shown.text.replace(/,/g, ''), 'line-length', system));
          expect(Math.abs(back.value - metres)).toBeLessThanOrEqual(0.51);
        },
      ),
    );
  });
});

describe('formatQuantity', () => {
  it('groups the thousands of turns', () => {
    expect([formatCount(87.4), formatCount(1178), formatCount(999.6)]).toEqual(['87', '1,178', '1,000']);
  });

  it('sets the unit beside the number with a no-break space', () => {
    expect(formatQuantity(1310.4, 'line-length').text).toBe('1,310\u00a0m');
    expect(formatQuantity(100, 'line-length', 'imperial').text).toBe('109\u00a0yd');
    expect(formatQuantity(-0.02, 'line-length').text).toBe('0\u00a0m');
    expect(formatDiameter(0.26).text).toBe('0.26\u00a0mm');
    expect(formatDiameter(0.26, 'imperial').text).toBe('0.010\u00a0in');
  });
});

describe('whatever is shown', () => {
  const SHOWN: readonly (readonly [Dimension, number, number])[] = [
    ['line-length', 0, 5000],
    ['small-length', -9, 300],
    ['mass', 0, 20_000],
    ['strength', 0.1, 120],
    ['ratio', 0.5, 12],
    ['count', 0, 30_000],
  ];

  /** What is rounded away is never more than half of this, in whichever units: of a metre, say, not of a yard. */
  const UNIT: Readonly<Record<Dimension, number>> = {
    'line-length': 1,
    'small-length': 1,
    mass: 28.35,
    strength: 0.4536,
    ratio: 1,
    count: 1,
  };

  it('can be typed again in any field of its kind, in whichever units the reader has', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SHOWN),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.constantFrom<UnitSystem>(...UNIT_SYSTEMS),
        fc.constantFrom<UnitSystem>(...UNIT_SYSTEMS),
        fc.option(fc.integer({ min: 0, max: 3 }), { nil: undefined }),
        ([dimension, least, most], share, system, reader, decimals) => {
          const value = least + share * (most - least);
          // A diameter of a metre and more to the millimetre is shown nowhere.
          const digits = dimension === 'strength' ? undefined : decimals;
          const shown = [formatQuantity(value, dimension, system, digits)];
          if (dimension === 'small-length') shown.push(formatDiameter(value, system));
          for (const { text } of shown) {
            const back = valueOf(parseQuantity(text, dimension, reader)).value;
            const inches = text.endsWith('in') && digits !== undefined ? 25.4 / 10 ** digits : 1;
            expect(Math.abs(back - value), text).toBeLessThanOrEqual(
              0.51 * UNIT[dimension] * Math.max(1, inches),
            );
          }
        },
      ),
      { numRuns: 2000 },
    );
  });
});
