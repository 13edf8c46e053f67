import { expect, it } from 'vitest';
import { shareComing } from './share-coming';

const lack = (id: string, metres: number, due: number) => ({
  id,
  product: 'A',
  lengthMm: 1000 * metres,
  due,
});
const pack = (metres: number, readyAt: number) => ({ product: 'A', lengthMm: 1000 * metres, readyAt });

it('gives what is promised soonest what comes first, and to nobody what a pack has not', () => {
  const packs = [pack(300, 9), pack(150, 2)];
  const shared = shareComing([lack('late', 120, 8), lack('soon', 120, 3), lack('long', 400, 1)], packs, 2000);
  expect([...shared].map(([id, { readyAt }]) => [id, readyAt])).toEqual([
    ['soon', 2],
    ['late', 9],
  ]);
  // Two of 150 m and a tail need 302 m.
  expect(shareComing([lack('one', 150, 1), lack('two', 150, 2)], [pack(301, 1)], 2000).size).toBe(1);
  expect(shareComing([{ ...lack('other', 10, 1), product: 'B' }], packs, 0).size).toBe(0);
});
