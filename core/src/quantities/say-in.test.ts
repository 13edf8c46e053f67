import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { formatQuantity, formatSpread, INCH_STEP } from './format-quantity';
import { parseQuantity } from './parse-quantity';
import { sayIn } from './say-in';
import { plain, told } from './told';
import { UNIT_SYSTEMS, type UnitSystem } from './units';

describe('a sentence in a person’s own units', () => {
  it.each([
    [
      'The main is 30 m longer than fits below the gap.',
      'The main is 33\u00a0yd longer than fits below the gap.',
    ],
    ['Set the drag to 4.1 kg against a straight pull.', 'Set the drag to 9\u00a0lb against a straight pull.'],
    ['people work between 2.0 and 2.7 kg', 'people work between 4 and 6\u00a0lb'],
    ['It comes out 1.6 mm below the lip.', 'It comes out 1/16\u00a0in below the lip.'],
    ['Piece P-1 has 1,200 m free', 'Piece P-1 has 1,312\u00a0yd free'],
    ['210 × 0.25 is 13.1 m·mm²', '210 × 0.25 is 13.1 m·mm²'],
    ['A loop of 0.6 m', 'A loop of 2\u00a0ft'],
    ['Splice 4 m into it', 'Splice 13.1\u00a0ft into it'],
    ['Take 3 to 9 m', 'Take 9.8\u00a0ft to 10\u00a0yd'],
    ['A strand of 0.28 mm', 'A strand of 0.011\u00a0in'],
    ['4 more, R-7, 15 turns', '4 more, R-7, 15 turns'],
  ])('%s', (metric, imperial) => {
    expect(sayIn(metric, 'imperial')).toBe(imperial);
    expect(sayIn(metric, 'metric')).toBe(metric);
  });
});

describe('a figure that a sentence is told with', () => {
  const SYSTEMS = fc.constantFrom<UnitSystem>(...UNIT_SYSTEMS);

  it('is rounded once, to what every other figure of it on the screen says', () => {
    fc.assert(
      fc.property(fc.integer({ min: -900_000, max: 9_000_000 }), SYSTEMS, (thousandths, system) => {
        const [metres, small] = [thousandths / 1000, thousandths / 7_777];
        expect(sayIn(`Only ${told.length(metres)} in all.`, system)).toBe(
          `Only ${formatQuantity(metres, 'line-length', system).text} in all.`,
        );
        expect(sayIn(`It stands ${told.small(small)} proud.`, system)).toBe(
          `It stands ${formatQuantity(Number(small.toFixed(6)), 'small-length', system).text} proud.`,
        );
      }),
    );
  });

  it('a hundred yards are a hundred yards, in a sentence as beside it', () => {
    for (const metres of [91.44, 90.9, 91.0, 91.8]) {
      const { text } = formatQuantity(metres, 'line-length', 'imperial');
      expect(sayIn(`${told.length(metres)} lie above`, 'imperial')).toBe(`${text} lie above`);
    }
  });

  it('a range has its unit once, at its end', () => {
    expect(sayIn(`likely ${plain(1.2)} to ${told.small(3.44)}`, 'metric')).toBe('likely 1.2 to 3.4\u00a0mm');
    expect(sayIn(`likely ${plain(1.2)} to ${told.small(3.44)}`, 'thousandths')).toBe(
      'likely 0.047 to 0.135\u00a0in',
    );
  });
});

describe('small lengths in inches', () => {
  it.each([
    [1.5875, '1/16', '0.063'],
    [3.175, '1/8', '0.125'],
    [4.7625, '3/16', '0.188'],
    [0.79375, '1/32', '0.031'],
    [25.4, '1', '1.000'],
    [26.9875, '1\u00a01/16', '1.063'],
    [46, '1\u00a013/16', '1.811'],
    [6.1, '1/4', '0.240'],
    [0, '0', '0.000'],
    [0.2, '0', '0.008'],
    [-3.175, '-1/8', '-0.125'],
    [-30, '-1\u00a03/16', '-1.181'],
  ])('%d mm is %s in on a rule, %s in on a caliper', (millimetres, onRule, onCaliper) => {
    expect(formatQuantity(millimetres, 'small-length', 'imperial').number).toBe(onRule);
    expect(formatQuantity(millimetres, 'small-length', 'thousandths').number).toBe(onCaliper);
  });

  it('are told in the one notation the reader chose, whatever they are', () => {
    fc.assert(
      fc.property(fc.double({ min: -60, max: 300, noNaN: true }), (millimetres) => {
        expect(formatQuantity(millimetres, 'small-length', 'imperial').text).toMatch(
          /^-?(?:\d+|(?:\d+\u00a0)?\d+\/(?:2|4|8|16|32))\u00a0in$/,
        );
        expect(formatQuantity(millimetres, 'small-length', 'thousandths').text).toMatch(
          /^-?\d+\.\d{3}\u00a0in$/,
        );
      }),
    );
  });

  it('are read again as what was shown, within half the step it was shown in', () => {
    for (let mm = -5; mm < 60; mm += 0.37) {
      for (const [system, half] of [
        ['imperial', INCH_STEP / 2],
        ['thousandths', 0.0127],
      ] as const) {
        const { text } = formatQuantity(mm, 'small-length', system);
        const read = parseQuantity(text, 'small-length', system);
        expect(read.ok && Math.abs(read.value.value - mm), text).toBeLessThanOrEqual(half + 1e-9);
      }
    }
  });

  it('and how far off they may be is told in the same steps, never as nothing', () => {
    expect(formatSpread(42.07, 3.33, 'imperial')).toBe('1\u00a021/32 ± 1/8\u00a0in');
    expect(formatSpread(42.07, 0.02, 'imperial')).toBe('1\u00a021/32 ± 1/32\u00a0in');
    expect(formatSpread(42.07, 0.3, 'thousandths')).toBe('1.656 ± 0.012\u00a0in');
    expect(formatSpread(42.07, 0.02)).toBe('42.1 ± 0.1\u00a0mm');
  });

  it('a limit is told inside it, so that what it names is taken', () => {
    const allowed = { min: 5, max: 60 };
    const said = parseQuantity('3 in', 'small-length', 'imperial', allowed).issues[0]!.sentence;
    expect(said).toBe('3 in is outside what this takes: from 7/32\u00a0in to 2\u00a011/32\u00a0in.');
    for (const limit of said.match(/(?<=from |to )[\d\u00a0/]+in/g) ?? []) {
      expect(parseQuantity(limit, 'small-length', 'imperial', allowed).ok, limit).toBe(true);
    }
  });

  it('a bare fraction means inches, whatever the units are', () => {
    for (const system of UNIT_SYSTEMS) {
      const read = parseQuantity('1/8', 'small-length', system);
      expect(read.ok && read.value).toMatchObject({ value: 3.175, unit: 'in' });
    }
    const bare = parseQuantity('1.5', 'small-length', 'metric');
    expect(bare.ok && bare.value.unit).toBe('mm');
  });
});
