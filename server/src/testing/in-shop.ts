import { afterAll, beforeAll } from 'vitest';
import type { Ask } from './rack';
import { TestShop } from './test-shop';

/** A shop of its own for one file of tests, with somebody who asks it; closed behind the last of them. */
export function inShop(
  who: 'Ada' | 'Bo',
  begin: (opened: { readonly shop: TestShop; readonly ask: Ask }) => unknown,
): void {
  let shop: TestShop;
  beforeAll(async () => {
    shop = await TestShop.open();
    begin({ shop, ask: await shop.as(who) });
  });
  afterAll(() => shop.close());
}
