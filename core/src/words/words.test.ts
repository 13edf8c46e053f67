import { describe, expect, it } from 'vitest';
import { UNIT_SYSTEMS } from '../quantities/units';
import { wordsAsText, wordsFromText } from './as-text';
import { CATALOGUE } from './catalogue';
import { message, tell, type Message, type MessageValue } from './message';
import { rangeWords } from './range-words';

/** A value of each dimension a template can ask for. */
const SAMPLES: Readonly<Record<string, MessageValue>> = {
  text: 'J-104',
  count: 3,
  words: 'so it is',
  m: { m: 123.4 },
  'm-range': { m: [12.3, 123.4] },
  mm: { mm: 2.4 },
  'mm-range': { mm: [1.2, 2.4] },
  line: { line: 0.28 },
  'line-range': { line: [0.04, 3] },
  kg: { kg: 4.5 },
  'kg-range': { kg: [3.2, 4.5] },
  g: { g: 12.3 },
};
const PLACE = /\{(\w+) ([\w-]+)\}/g;
const METRIC = /\d[ \u00a0](m|mm|km|kg|g)\b/;

const sampleOf = (code: keyof typeof CATALOGUE): Message => ({
  code,
  values: Object.fromEntries(
    [...CATALOGUE[code].matchAll(PLACE)].map(([, name = '', dimension = '']) => [name, SAMPLES[dimension]!]),
  ),
});
const CODES = Object.keys(CATALOGUE) as (keyof typeof CATALOGUE)[];

describe('every sentence of the catalogue', () => {
  it.each(CODES)('%s has a value for each of its places, and its own units in each system', (code) => {
    const [metric, imperial, thousandths] = UNIT_SYSTEMS.map((system) => tell(sampleOf(code), system));
    for (const said of [metric, imperial, thousandths]) {
      expect(said).not.toMatch(/[{}]|undefined|NaN/);
      expect(said).not.toBe(code);
    }
    const measures = /\{\w+ (m|mm|line|kg|g)(-range)?\}/.test(CATALOGUE[code]);
    expect([code, metric === imperial]).toEqual([code, !measures]);
    expect(imperial).not.toMatch(METRIC);
    expect(thousandths).not.toMatch(METRIC);
  });

  it('asks for dimensions there are', () => {
    const asked = CODES.flatMap((code) => [...CATALOGUE[code].matchAll(PLACE)].map(([, , of = '']) => of));
    expect([...new Set(asked)].filter((of) => !(of in SAMPLES))).toEqual([]);
    // A brace that is no place is a slip of the pen.
    for (const code of CODES) expect(CATALOGUE[code].replace(PLACE, '')).not.toMatch(/[{}]/);
  });
});

describe('a sentence', () => {
  const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
  const fits = message('depth.fits', { read: { mm: 2.4 }, expected: { mm: 2.26 } });

  it('is told in the reader’s units, rounded once', () => {
    expect(plain(tell(fits, 'metric'))).toBe('2.4 mm, by the count 2.3 mm.');
    expect(plain(tell(fits, 'imperial'))).toBe('3/32 in, by the count 3/32 in.');
    expect(plain(tell(fits, 'thousandths'))).toBe('0.094 in, by the count 0.089 in.');
  });

  it('tells a range with its unit once, and twice where the ends have different ones', () => {
    const likely = (range: readonly [number, number], system: (typeof UNIT_SYSTEMS)[number]): string =>
      plain(tell(message('limit.from-m', { what: 'A length', range: { m: range } }), system));
    expect(likely([12.3, 20.1], 'metric')).toBe('A length is from 12 to 20 m.');
    expect(likely([1, 20.1], 'imperial')).toBe('A length is from 3.3 ft to 22 yd.');
  });

  it('tells what can be as fine as its least is', () => {
    const said = (range: readonly [number, number], unit: string): string =>
      plain(tell(rangeWords(range, unit), 'metric'));
    expect(said([0.04, 3], 'mm')).toBe('0.04 to 3.00 mm');
    expect(said([12, 250], 'mm')).toBe('12.0 to 250.0 mm');
    expect(said([5, 5000], 'm')).toBe('5 to 5,000 m');
    expect(said([0.5, 12], 'to one')).toBe('0.5 to 12 to one');
    expect(said([0.0005, 1], '')).toBe('0.0005 to 1');
    expect(plain(tell(rangeWords([0.04, 3], 'mm'), 'imperial'))).toBe('0.002 to 0.118 in');
  });

  it('never changes what somebody typed', () => {
    const typed = 'call at 5 m, 3 kg {gap mm} {"code":1}';
    for (const system of UNIT_SYSTEMS) {
      expect(tell(typed, system)).toBe(typed);
      expect(tell(message('house.bench', { name: typed, span: { m: 1.5 }, more: '' }), system)).toContain(
        typed,
      );
    }
  });

  it('holds another sentence', () => {
    const below = message('level.below', { depth: { mm: 25.4 } });
    const said = message('plan.proud-once-wet', { range: below });
    expect(plain(tell(said, 'imperial'))).toContain('it stands 1 in below the lip.');
  });

  it('of another version is its code', () => {
    expect(tell({ code: 'next.year', values: {} }, 'metric')).toBe('next.year');
    expect(tell({ code: 'toString', values: {} }, 'metric')).toBe('toString');
  });

  it('is the same after it was kept as text, and text that looks like one stays text', () => {
    expect(wordsFromText(wordsAsText(fits))).toEqual(fits);
    for (const text of [
      'Booked in',
      '',
      '{"code":"',
      '{"code":"depth.fits"}',
      '{"code":"next.year","values":{}}',
      '{"code":"depth.fits","values":{"read":{"mm":"x"}}}',
      '{"code":"depth.fits","values":[]}',
      '{"code":"depth.fits","values":{"read":{"furlong":1}}}',
      '{"code":"depth.fits","values":{"read":null}}',
    ])
      expect(wordsFromText(text)).toBe(text);
    const nested = message('bag.and', { first: 'so', then: fits });
    expect(wordsFromText(wordsAsText(nested))).toEqual(nested);
  });
});
