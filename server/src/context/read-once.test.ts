import { afterAll, beforeAll, expect, it } from 'vitest';
import { listProducts } from '../rack/products';
import { receiveTwo } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';
import { readOnce, whileAnswering } from './read-once';

let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open();
});
afterAll(() => shop.close());

it('is read once for an answer, and again for the next', async () => {
  let reads = 0;
  const read = () => Promise.resolve((reads += 1));
  const twice = () => Promise.all([readOnce('it', read), readOnce('it', read)]);
  expect(await whileAnswering(twice)).toEqual([1, 1]);
  expect(await whileAnswering(twice)).toEqual([2, 2]);
  // Nobody waits for an answer.
  expect(await twice()).toEqual([3, 4]);
});

it('that failed fails for all who asked, and is asked again for the next', async () => {
  let reads = 0;
  const read = () => ((reads += 1) === 1 ? Promise.reject(new Error('away')) : Promise.resolve('there'));
  await whileAnswering(async () => {
    await expect(readOnce('it', read)).rejects.toThrow('away');
    await expect(readOnce('it', read)).rejects.toThrow('away');
  });
  expect(await whileAnswering(() => readOnce('it', read))).toBe('there');
});

it('is read as it stands inside a change', async () => {
  const ask = await shop.as('Bo');
  await receiveTwo(ask, 500, 'RO');
  await whileAnswering(async () => {
    const before = await listProducts(shop.context);
    expect(before.some(({ name }) => name === 'Renamed')).toBe(false);
    await shop.force(async (u) => {
      await u.tables.products.changeAll({ name: 'Renamed' }, { code: 'T-25' });
      expect((await listProducts(u)).some(({ name }) => name === 'Renamed')).toBe(true);
    });
  });
});
