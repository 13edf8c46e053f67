// The shop the fuzz asks: a whole server on a database of its own, in a process of its own, so that what is measured of its
// event loop is its own. Told by messages; ends with whoever started it.
import { NO_SECOND_STEP } from '../db/models/people';
import { TestShop } from '../testing/test-shop';
import { fuzzBooks } from './books';

/** How often the event loop is looked at, ms. */
const LOOK_MS = 5;

const shop = await TestShop.open();
const books = await fuzzBooks(shop, Number(process.argv[2] ?? 0));

let before = performance.now();
let worst = 0;
setInterval(() => {
  const now = performance.now();
  worst = Math.max(worst, now - before - LOOK_MS);
  before = now;
}, LOOK_MS);

/** Those who ask stay who they are, whatever the fuzz did with their passcodes and sessions. */
const atFirst = await shop.context.tables.people.findAll({ order: ['id'] });
async function whoAsks(): Promise<string[]> {
  await shop.force(async ({ tables }) => {
    for (const { id, name, role, passcodeHash } of atFirst)
      await tables.people.changeAll({ name, role, passcodeHash, leftAt: null, ...NO_SECOND_STEP }, { id });
  });
  return [await shop.cookieOf('Ada'), await shop.cookieOf('Ada'), await shop.cookieOf('Bo')];
}

process.on('message', (asked) => {
  if (asked === 'cookies') void whoAsks().then((cookies) => process.send?.({ cookies }));
  if (asked !== 'lag') return;
  process.send?.({ lag: worst });
  worst = 0;
});
process.on('disconnect', () => {
  void shop.close().finally(() => process.exit(0));
});
process.send?.({ address: shop.address, database: shop.name, ...books });
