import { aDay, aRow, NOON } from '../testing/days';
import { listedRows } from '@yard-spool/core';
import { clockText } from '../words/clock-text';
import { dayWords, handOf, placeOf, rowWords } from './row-words';

const metres = (length: number): string => `${length.toFixed(0)} m`;
const said = (more: Parameters<typeof aRow>[0]) => rowWords(aRow(more), metres);
const none = { reels: [], lines: [] };
const piece = { code: 'N-231', name: 'Smoke', tint: '#888888', lengthMm: 0 };

describe('a row of the day', () => {
  it('of a fill says which reel, what goes on it from the top down, and how long it takes', () => {
    expect(said({})).toEqual({ what: 'R-0041, Pier reel', more: '120 m N-207 over 77 m S-031; 28 min' });
    expect(said({ changes: 0 }).more).toContain('supply stays');
  });

  it('of a reel that is on the bench says since when', () => {
    const more = said({ state: 'now', changes: 0 }).more;
    expect(more).toMatch(/since Thu 13:00$/);
    expect(more).not.toContain('supply stays');
  });

  it.each([
    ['soak', { lines: [piece], bags: [26, 29] }, 'N-231 into the water', 'for bags 26, 29; 28 min'],
    ['out', { lines: [piece] }, 'N-231 out of the water', 'wound wet, for bag 24; 28 min'],
    ['strip', {}, 'Strip R-0041', 'bag 24; 28 min'],
    ['walk', {}, 'Walk the counter of R-0041', 'bag 24; 28 min'],
    ['relief', {}, 'Take memory out of R-0041', 'bag 24; 28 min'],
    ['check', {}, 'Check R-0041', 'bag 24; 28 min'],
    ['shelf', none, 'Bag 24 to its shelf', 'its message is ready then; 28 min'],
  ] as const)('of %s is a sentence', (kind, row, what, more) => {
    expect(
      said({
        kind,
        ...row,
        lines: 'lines' in row ? [...row.lines] : [],
        bags: 'bags' in row ? [...row.bags] : [24],
        reels: kind === 'shelf' ? [] : aRow().reels,
      }),
    ).toEqual({ what, more });
  });

  it('names a few of many bags, and counts the rest', () => {
    const soak = { kind: 'soak' as const, lines: [piece], reels: [] };
    expect(said({ ...soak, bags: [1, 2, 3, 4] }).more).toBe('for bags 1, 2, 3, 4; 28 min');
    expect(said({ ...soak, bags: [1, 2, 3, 4, 5, 6] }).more).toBe('for bags 1, 2, 3, 4 and 2 more; 28 min');
  });

  it('says where it is done', () => {
    expect(placeOf(aRow(), aDay())).toBe('Bench 1');
    expect(placeOf(aRow({ benchId: 9 }), aDay())).toBe('');
    expect(placeOf(aRow({ kind: 'walk', benchId: null }), aDay())).toBe('Field');
    expect(placeOf(aRow({ kind: 'out', benchId: null }), aDay())).toBe('Tub');
    expect(placeOf(aRow({ kind: 'check', benchId: null }), aDay())).toBe('Counter');
  });

  it('of another day says which', () => {
    expect(clockText(aRow().startAt, NOON)).toBe('13:00');
    expect(clockText('2031-03-14T09:05:00', NOON)).toBe('Fri 9:05');
  });
});

describe('the list of rows', () => {
  it('tells checks with the shelf of their bag, and alone where there is none', () => {
    const check = aRow({ id: 'check:1', kind: 'check' });
    const shelf = aRow({ id: 'shelf:24', kind: 'shelf' });
    expect(listedRows([check, shelf]).map(({ id }) => id)).toEqual(['shelf:24']);
    expect(listedRows([check]).map(({ id }) => id)).toEqual(['check:1']);
  });
});

describe('a day in one line', () => {
  const none = { jobId: 1, tag: 'R-1', bag: 3, why: '', cure: '' };
  it.each([
    [{}, 'Thursday: 1 reel to fill, all in time'],
    [{ rows: [] }, 'Thursday: nothing to do'],
    [{ broken: 1 }, 'Thursday: 1 reel to fill; 1 bag will be late'],
    [{ broken: 2, noPlace: [none] }, 'Thursday: 1 reel to fill; 2 bags will be late, 1 without line'],
    [{ noPlace: [none] }, 'Thursday: 1 reel to fill; 1 without line'],
    [{ opensAt: '2031-03-14T09:00:00' }, 'Friday: 1 reel to fill, all in time'],
  ])('says whether all is in time: %j', (more, words) => {
    expect(dayWords(aDay(more))).toBe(words);
  });
});

describe('the time in hand of a row', () => {
  it('is its bag’s, and nothing where the bag is in no order', () => {
    const { bags } = aDay();
    const late = { ...bags[0]!, endAt: new Date(Date.parse(bags[0]!.promisedAt) + 3_600_000).toISOString() };
    expect(handOf(aRow(), { bags })).toBe('3 h in hand');
    expect(handOf(aRow(), { bags: [late] })).toBe('1 h late');
    expect(handOf(aRow({ bags: [99] }), { bags })).toBe('');
  });
});
