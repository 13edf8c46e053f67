import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { receiveTwo } from '../testing/bookings';
import { ADA, TestShop } from '../testing/test-shop';
import { heldAnswer } from './held-answer';
import { unit } from './unit';

let shop: TestShop;
beforeAll(async () => {
  shop = await TestShop.open();
  await receiveTwo(await shop.as('Ada'));
});
afterAll(() => shop.close());

const WORDS = { gone: 'It is gone.', changed: 'It was changed.' };

describe('a change', () => {
  it('refuses to ask the database for anything outside itself, by a table or by a row', async () => {
    const outside = 'nothing outside its own transaction';
    await expect(shop.force(() => shop.context.tables.pieces.count())).rejects.toThrow(outside);
    const piece = await shop.context.tables.pieces.findOne();
    await expect(shop.force(() => piece!.update({ place: 'Elsewhere' }))).rejects.toThrow(outside);
    await expect(shop.force(() => shop.force(() => Promise.resolve()))).rejects.toThrow('inside another');
    expect((await shop.context.tables.pieces.findByPk(piece!.id))?.place).toBe('Wall');
  });

  it('is kept whole or not at all, and what waits for it happens only once it is kept', async () => {
    const happened: string[] = [];
    const moved = (fail: boolean) =>
      shop.force(async (u) => {
        await u.tables.pieces.changeAll({ place: 'Shelf' }, {});
        u.afterCommit(() => happened.push(fail ? 'failed' : 'kept'));
        if (fail) throw new Error('on purpose');
      });
    await expect(moved(true)).rejects.toThrow('on purpose');
    expect(await shop.context.tables.pieces.count({ where: { place: 'Shelf' } })).toBe(0);
    await moved(false);
    expect(await shop.context.tables.pieces.count({ where: { place: 'Shelf' } })).toBe(2);
    expect(happened).toEqual(['kept']);
  });

  it('has what is held of the tables it wrote read again once it is kept, and nothing else', async () => {
    let read = 0;
    const places = heldAnswer(() => Promise.resolve((read += 1)), ['pieces']);
    const seen: number[] = [];
    const change = (table: 'pieces' | 'bags') =>
      shop.force(async ({ tables: { pieces, bags } }) => {
        await (table === 'pieces' ? pieces.changeAll({ place: 'Wall' }, {}) : bags.removeAll({ id: 0 }));
        seen.push(await places.ask(shop.context));
      });
    for (const one of ['bags', 'pieces'] as const) {
      await change(one);
      seen.push(await places.ask(shop.context), await places.ask(shop.context));
    }
    // Inside a change it is read as it stands there, and not held.
    expect(seen).toEqual([1, 2, 2, 3, 4, 4]);
  });

  it('locks a row on the version that was looked at, or says what became of it', async () => {
    const lock = (id: number, version: number) =>
      shop.force((u) => u.lockVersioned(u.tables.pieces, id, version, WORDS));
    expect((await lock(1, 1)).code).toBe('P-25');
    await expect(lock(1, 2)).rejects.toMatchObject({ code: 'stale-version', message: WORDS.changed });
    await expect(lock(99, 1)).rejects.toMatchObject({ code: 'not-found', message: WORDS.gone });
  });

  it('that nobody is signed in for has no actor to put it down to', async () => {
    const nobody = unit(shop.context, null, (u) => Promise.resolve(u.actor));
    await expect(nobody).rejects.toThrow('Nobody makes this change.');
    expect(await unit(shop.context, ADA, (u) => Promise.resolve(u.actor.name))).toBe('Ada');
  });

  it('makes a row of a unique key once, however many want it at the same moment', async () => {
    const made = await Promise.all(
      Array.from({ length: 8 }, () =>
        shop.force(({ tables: { reelKinds } }) =>
          reelKinds.lockOrCreate(
            { type: 'fixed-spool', label: 'Once' },
            { type: 'fixed-spool', label: 'Once', observations: [], gear: 5, met: 0 },
          ),
        ),
      ),
    );
    expect(new Set(made.map(({ id }) => id)).size).toBe(1);
  });
});
