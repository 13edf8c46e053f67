import * as mariadb from 'mariadb';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { TestShop } from '../testing/test-shop';
import { holdDatabase, SecondServer } from './one-server';

let shop: TestShop;
let address: string;
beforeAll(async () => {
  shop = await TestShop.open();
  address = addressOf(shop.name);
});
afterAll(() => shop.close());

function addressOf(name: string): string {
  const made = new URL(process.env.YARD_SPOOL_TEST_DATABASE!);
  made.pathname = `/${name}`;
  return made.href;
}
const never = (): void => expect.unreachable('nobody else has it');

describe('a database', () => {
  it('is one server’s at a time: a second one is refused in a sentence, and let in when the first ends', async () => {
    const release = await holdDatabase(address, never, 0);
    await expect(holdDatabase(address, never, 0)).rejects.toThrow(SecondServer);
    await expect(holdDatabase(address, never, 0)).rejects.toThrow('Another Yard Spool is running');
    const waits = holdDatabase(address, never, 30);
    await release();
    await (
      await waits
    )();
  });

  it('of another shop is another’s', async () => {
    const other = await TestShop.open();
    const releases = [
      await holdDatabase(address, never, 0),
      await holdDatabase(addressOf(other.name), never, 0),
    ];
    for (const release of releases) await release();
    await other.close();
  });

  it('that cut the connection is held again, and whoever lost it meanwhile is told', async () => {
    const lost = vi.fn();
    const release = await holdDatabase(address, lost, 0);
    const watch = await mariadb.createConnection(address);
    const holder = async (): Promise<bigint | number | null> => {
      const [row] = await watch.query<{ id: bigint | null }[]>(
        "SELECT IS_USED_LOCK(CONCAT('yard_spool ', LEFT(SHA2(?, 256), 40))) AS id",
        [`/${shop.name}`],
      );
      return row?.id ?? null;
    };
    const first = await holder();
    expect(first).not.toBeNull();
    await watch.query('KILL ?', [first]);
    await vi.waitFor(
      async () => {
        const now = await holder();
        expect(now).not.toBeNull();
        expect(now).not.toBe(first);
      },
      { timeout: 30_000, interval: 50 },
    );
    expect(lost).not.toHaveBeenCalled();
    await release();
    expect(await holder()).toBeNull();
    await watch.end();
  });
});
