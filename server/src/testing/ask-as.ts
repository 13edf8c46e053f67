import { afterAll, beforeAll } from 'vitest';
import { TestShop } from './test-shop';

type Asked = Awaited<ReturnType<TestShop['as']>>;

/** A shop of this file’s own, asked as somebody there: for tests that need no more of it. */
export function askAs(name: 'Ada' | 'Bo'): Asked {
  let shop: TestShop | null = null;
  let ask: Asked | null = null;
  beforeAll(async () => {
    shop = await TestShop.open();
    ask = await shop.as(name);
  });
  afterAll(() => shop?.close());
  return (...asked) => ask!(...asked);
}
