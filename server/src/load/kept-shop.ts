import { systemClock } from '../clock';
import { TestShop } from '../testing/test-shop';
import { writeShop } from './write-shop';

/** Stands in a shop once it is written to its end. */
const WHOLE = 'written_whole';

/**
 * A shop of so many fills, written where there is none yet: the next bench finds it there, with what the last one added.
 * One whose writing was broken off is written again.
 */
export async function keptShop(fills: number): Promise<TestShop> {
  const open = (): Promise<TestShop> => TestShop.open(systemClock, { keptAs: `big_${String(fills)}` });
  const there = await open();
  if ((await there.context.query(`SHOW TABLES LIKE '${WHOLE}'`)).length > 0) return there;
  await there.close();
  const shop = await open();
  await writeShop(
    shop,
    {
      fills,
      reels: Math.ceil(fills * 0.3),
      customers: Math.ceil(fills / 5),
      bags: Math.ceil(fills * 0.45),
      products: 60,
      pieces: Math.ceil(fills / 20),
      lots: Math.ceil(fills / 200),
      years: 15,
    },
    new Date(),
  );
  await shop.schema(`CREATE TABLE ${shop.name}.${WHOLE} (id INT PRIMARY KEY)`);
  return shop;
}
