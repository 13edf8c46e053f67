import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { readPrints, type PrintContext } from './read-prints';

const only = (text: string, context?: PrintContext) => {
  const prints = valueOf(readPrints(text, context));
  expect(prints).toHaveLength(1);
  return prints[0]!;
};
const POUND = 0.45359237;

describe('prints with a diameter', () => {
  it.each([
    ['210 × 0.25', 210, 0.25],
    ['210x.25', 210, 0.25],
    ['0.25/210', 210, 0.25],
    ['230 yd x 0.010 in', 230 * 0.9144, 0.254],
    ['150m/0,28mm', 150, 0.28],
    ['120 m - 0.35 mm', 120, 0.35],
    ['500 x 0.5', 500, 0.5],
  ])('%s', (text, length, diameter) => {
    const { readings, sure } = only(text);
    expect(sure).toBe(true);
    expect(readings[0].length).toBeCloseTo(length, 9);
    expect(readings[0].diameter).toBeCloseTo(diameter, 9);
    expect(readings[0].printed).toBeUndefined();
  });

  it('in bare inches and yards are read so by whoever works in them', () => {
    const [reading] = only('230 × .010', { system: 'imperial' }).readings;
    expect(reading.length).toBeCloseTo(210.3, 1);
    expect(reading.diameter).toBeCloseTo(0.254, 9);
    expect(only('210 x 0.25', { system: 'imperial' }).readings[0].diameter).toBeCloseTo(0.25, 9);
  });
});

describe('prints by strength', () => {
  it.each(['8/140', '8lb/140yd', '8 lb / 140 yd', '8 lb test 140yd'.replace('test ', '/'), '140yd-8lb'])(
    '%s is 140 yd of 8 lb line',
    (text) => {
      const { readings, sure } = only(text);
      expect(sure).toBe(true);
      expect(readings[0].length).toBeCloseTo(140 * 0.9144, 9);
      expect(readings[0].printed).toEqual({ system: 'strength', figure: 8 * POUND });
      expect(readings[0].words).toBe('140 yd of 8 lb nylon, about 0.28\u00a0mm');
    },
  );

  it('say the diameter in the person’s own units', () => {
    expect(only('8/140', { system: 'imperial' }).readings[0].words).toBe(
      '140 yd of 8 lb nylon, about 0.011\u00a0in',
    );
  });

  it('stand for 0.145 √S of nylon and 0.075 √S of braid', () => {
    expect(only('10-120 yd').readings[0].diameter).toBeCloseTo(0.145 * Math.sqrt(10 * POUND), 9);
    const braid = only('10-120 yd', { material: 'braid' }).readings[0];
    expect(braid.diameter).toBeCloseTo(0.075 * Math.sqrt(10 * POUND), 9);
    expect(only('5kg/150m').readings[0].printed).toEqual({ system: 'strength', figure: 5 });
  });

  it('pasted in one go are as many prints, and of one system where length times strength stays', () => {
    const prints = valueOf(readPrints('6/230 8/170 10/140'));
    expect(prints.map(({ text }) => text)).toEqual(['6/230', '8/170', '10/140']);
    const products = prints.map(({ readings: [one] }) => one.length * one.printed!.figure);
    expect(Math.max(...products) / Math.min(...products)).toBeLessThan(1.03);
    expect(valueOf(readPrints('6/230, 8/170; 10/140'))).toHaveLength(3);
  });
});

describe('prints by size number', () => {
  it.each([
    ['PE 1.5/200', 1.5, 200, 'braid'],
    ['PE 0.8-200', 0.8, 200, 'braid'],
    ['#2-150m', 2, 150, 'nylon'],
    ['No. 2 - 150 m', 2, 150, 'nylon'],
  ])('%s', (text, figure, length, material) => {
    const { readings, sure } = only(text);
    expect(sure).toBe(true);
    expect(readings[0]).toMatchObject({ length, material, printed: { system: 'size', figure } });
    expect(readings[0].diameter).toBeCloseTo(0.165 * Math.sqrt(figure), 9);
  });

  it('0.8/200 is a size number and never 0.8 mm without asking', () => {
    const { readings } = only('0.8/200');
    expect(readings[0].printed).toEqual({ system: 'size', figure: 0.8 });
    expect(readings.some(({ printed, diameter }) => !printed && diameter === 0.8)).toBe(true);
  });
});

describe('a print that says what it is for', () => {
  it('is for that, whatever the others on the spool are for', () => {
    const [mono, braid] = valueOf(readPrints('mono 12/200, braid 30/200'));
    expect(mono!.readings[0]).toMatchObject({ material: 'nylon', length: 200 * 0.9144 });
    expect(braid!.readings[0]).toMatchObject({ material: 'braid', printed: { figure: 30 * POUND } });
    expect(braid!.readings[0].words).toContain('200 yd of 30 lb braid');
    expect(valueOf(readPrints('mono 12/200 braid 30/200', { material: 'fluorocarbon' }))).toHaveLength(2);
  });

  it.each([
    ['braid 30/200', 'braid'],
    ['30/200 braid', 'braid'],
    ['Braid: 30/200', 'braid'],
    ['30/200 (braid)', 'braid'],
    ['FC 0.30/100 m', 'fluorocarbon'],
    ['Nylon 0.30 × 100 m', 'nylon'],
  ])('%s', (text, material) => {
    expect(only(text, { material: material === 'nylon' ? 'braid' : 'nylon' }).readings[0].material).toBe(
      material,
    );
  });

  it('holds for the prints behind it, or before it where those come first', () => {
    const of = (text: string) => valueOf(readPrints(text)).map(({ readings: [one] }) => one.material);
    expect(of('braid 20/200 30/150 mono 8/140')).toEqual(['braid', 'braid', 'nylon']);
    expect(of('8/140 mono 20/200 30/150 braid')).toEqual(['nylon', 'braid', 'braid']);
    // Between commas the word is seen to stand before its print, though the first print has none.
    expect(of('230 x .010, braid 30 lb/200')).toEqual(['nylon', 'braid']);
    expect(of('8/140, 10/110, braid 30/150')).toEqual(['nylon', 'nylon', 'braid']);
    expect(of('20/200, 30/150, braid')).toEqual(['braid', 'braid']);
  });

  it('still says so where it is written again', () => {
    for (const text of ['mono 12/200', 'braid 2/150', 'fluoro 0.30 × 100', '8/140 braid'])
      for (const reading of only(text).readings) {
        const again = only(reading.text, { material: 'hollow-braid' });
        expect(again.sure).toBe(true);
        expect(again.readings[0]).toEqual(reading);
      }
  });
});

describe('prints without a sign between their halves', () => {
  it.each([
    ['150m 0.28mm', 150, 0.28],
    ['150m of 028', 150, 0.28],
    ['150m x 028', 150, 0.28],
    ['0.28 mm 150 m', 150, 0.28],
    ['150 035', 150, 0.35],
    ['M/MM 150/0.28', 150, 0.28],
    ['mm/m: 0.28/150', 150, 0.28],
  ])('%s has its diameter', (text, length, diameter) => {
    const { readings, sure } = only(text);
    expect(sure).toBe(true);
    expect(readings[0].length).toBeCloseTo(length, 9);
    expect(readings[0].diameter).toBeCloseTo(diameter, 9);
    expect(readings[0].printed).toBeUndefined();
  });

  it.each(['8 lb 140 yds', '140yds 8lb', 'LB/YDS: 8/140', 'lb yds 8 140', '8 lb. 140 yd.', '8lb test 140yd'])(
    '%s is 140 yd of 8 lb',
    (text) => {
      const { readings, sure } = only(text);
      expect(sure).toBe(true);
      expect(readings[0].length).toBeCloseTo(140 * 0.9144, 9);
      expect(readings[0].printed).toEqual({ system: 'strength', figure: 8 * POUND });
    },
  );

  it('are size numbers where they are marked as such', () => {
    expect(only('#3 150').readings[0]).toMatchObject({ length: 150, printed: { system: 'size', figure: 3 } });
    expect(only('PE 1.5 200 m').readings[0]).toMatchObject({ length: 200, material: 'braid' });
  });

  it('pasted as two columns are a print a row, under their heading where they have one', () => {
    const rows = (text: string) =>
      valueOf(readPrints(text)).map(({ readings: [one] }) => [Math.round(one.length), one.diameter]);
    expect(rows('0.20\t240\n0.25\t150\n0.30\t110')).toEqual([
      [240, 0.2],
      [150, 0.25],
      [110, 0.3],
    ]);
    const headed = valueOf(readPrints('lb\tyds\n6\t230\n8\t170'));
    expect(headed.map(({ readings: [one] }) => one.printed!.figure)).toEqual([6 * POUND, 8 * POUND]);
    expect(headed[1]!.readings[0].length).toBeCloseTo(170 * 0.9144, 9);
  });

  it('are no print where one half is alone', () => {
    for (const text of ['150m', '150m 0.28mm 8', 'mono 12', 'mono']) expect(readPrints(text).ok).toBe(false);
  });
});

describe('prints that can be read in more ways', () => {
  it.each(['0.3/200', '2/150', '8/140m', '2.5/300', '0.8 × 200'])(
    '%s asks, with the readings to choose from',
    (text) => {
      const { readings, sure } = only(text);
      expect(sure).toBe(false);
      expect(readings.length).toBeGreaterThan(1);
      expect(new Set(readings.map(({ words }) => words)).size).toBe(readings.length);
    },
  );

  it('each reading can be written so that it is the only one', () => {
    for (const text of ['0.3/200', '2/150', '8/140', '0.8/200', 'PE 1.5/200', '8/140m'])
      for (const reading of only(text).readings) {
        const again = only(reading.text, { material: reading.material });
        expect(again.sure).toBe(true);
        expect(again.readings).toHaveLength(1);
        expect(again.readings[0]).toEqual(reading);
      }
  });
});

describe('what is no print', () => {
  it.each([
    '',
    '210',
    '210 x',
    'x 0.25',
    '210 x 99 mm',
    'long x thin',
    '8/140/9',
    '8 stones / 140 yd',
    '0/0',
    '-8/140-',
    `${'9'.repeat(400)}/140`,
  ])('%j is answered with a sentence', (text) => {
    const read = readPrints(text);
    expect(read.ok).toBe(false);
    expect(read.issues[0]?.sentence).toMatch(/\.$/);
  });

  it('never is anything but a print or an issue, whatever is typed', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[0-9.,/x×*#@ a-zA-Z-]{0,24}$/), (text) => {
        const read = readPrints(text);
        if (!read.ok) return;
        for (const { readings } of read.value)
          for (const { length, diameter } of readings) {
            expect(length).toBeGreaterThanOrEqual(5);
            expect(length).toBeLessThanOrEqual(5000);
            expect(diameter).toBeGreaterThanOrEqual(0.04);
            expect(diameter).toBeLessThanOrEqual(3);
          }
      }),
      { numRuns: 500 },
    );
  });
});
