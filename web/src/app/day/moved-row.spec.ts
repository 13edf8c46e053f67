import { aRow } from '../testing/days';
import { stepFrom, wishAt, withMoved } from './moved-row';

const row = (id: string, more: Parameters<typeof aRow>[0] = {}) => aRow({ id, ...more });
const ROWS = [
  row('filled:1', { state: 'done' }),
  row('fill:2', { state: 'now' }),
  row('fill:3', { startAt: '2031-03-13T13:00:00.000Z', benchId: 2 }),
  row('shelf:4', { startAt: '2031-03-13T14:00:00.000Z', benchId: null }),
];

describe('a row that is moved', () => {
  it('takes the time of what is there, and its bench where both are done at one', () => {
    expect(wishAt(row('fill:9'), ROWS[2]!)).toMatchObject({ at: '2031-03-13T13:00:00.000Z', benchId: 2 });
    expect(wishAt(row('fill:9'), ROWS[3]!)).toMatchObject({ at: '2031-03-13T14:00:00.000Z', benchId: 1 });
    expect(wishAt(ROWS[3]!, ROWS[2]!)).toMatchObject({ benchId: null });
  });

  it('comes behind what it is moved down over at a bench, and takes its time elsewhere', () => {
    const early = row('fill:9', { startAt: '2031-03-13T10:00:00.000Z' });
    expect(wishAt(early, ROWS[2]!)).toMatchObject({ at: ROWS[2]!.endAt, benchId: 2 });
    expect(wishAt(early, ROWS[3]!)).toMatchObject({ at: ROWS[3]!.startAt, benchId: 1 });
  });

  it('comes behind what is under way, not into it', () => {
    expect(wishAt(row('fill:9'), ROWS[1]!).at).toBe(ROWS[1]!.endAt);
  });

  it('goes over everything but what is done, and not beyond the ends', () => {
    expect([stepFrom(ROWS, 3, -1), stepFrom(ROWS, 2, -1), stepFrom(ROWS, 1, -1)]).toEqual([2, 1, 1]);
    expect([stepFrom(ROWS, 2, 1), stepFrom(ROWS, 3, 1)]).toEqual([3, 3]);
  });

  it('stands where it was moved to, and nothing else changes places', () => {
    const ids = (rows: readonly { readonly id: string }[]): string[] => rows.map(({ id }) => id);
    expect(ids(withMoved(ROWS, 'shelf:4', 1))).toEqual(['filled:1', 'shelf:4', 'fill:2', 'fill:3']);
    expect(ids(withMoved(ROWS, 'fill:2', 3))).toEqual(['filled:1', 'fill:3', 'shelf:4', 'fill:2']);
    expect(withMoved(ROWS, 'gone:1', 0)).toBe(ROWS);
  });
});
