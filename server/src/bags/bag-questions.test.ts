import type { Bag, Piece } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';
import { readBag } from './bags';
import { jobsOf } from './jobs-of';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  pieces = await receiveTwo(ask, 2000);
});
afterAll(() => shop.close());

/** What the database is asked while something is done. */
async function questionsOf(work: () => Promise<unknown>): Promise<string[]> {
  const asked: string[] = [];
  const { options } = shop.context.sequelize as unknown as {
    readonly options: { logging: false | ((sql: string) => void) };
  };
  options.logging = (sql) => void asked.push(sql);
  try {
    await work();
  } finally {
    options.logging = false;
  }
  return asked;
}

const bagOf = async (tags: readonly string[]): Promise<Bag> => {
  const [job] = booking(pieces).jobs;
  const jobs = tags.map((tag) => ({ ...job!, tag }));
  const { status, body } = await ask<Bag>('POST', '/bags', booking(pieces, { jobs }));
  expect(status).toBe(200);
  return body;
};

describe('a bag', () => {
  it('of three reels is read with six questions, and with no more where it has six', async () => {
    const three = await bagOf(['Q-1', 'Q-2', 'Q-3']);
    const six = await bagOf(['Q-11', 'Q-12', 'Q-13', 'Q-14', 'Q-15', 'Q-16']);
    for (const { number } of [three, six]) {
      const asked = await questionsOf(() => readBag(shop.context, number));
      expect(asked.length).toBeGreaterThan(2);
      expect(asked.length).toBeLessThanOrEqual(6);
    }
    expect(await readBag(shop.context, three.number)).toEqual(three);
  });

  it('has its reels in their places, each with its own cuts', async () => {
    const first = await bagOf(['Q-21', 'Q-22']);
    const second = await bagOf(['Q-31']);
    const told = await jobsOf(shop.context, { bags: [second.number, first.number] });
    expect(told.map(({ tag }) => tag)).toEqual(['Q-21', 'Q-22', 'Q-31']);
    expect(told).toEqual([...first.jobs, ...second.jobs]);
    expect(told[0]!.cuts.map(({ layer, pieceCode }) => [layer, pieceCode])).toEqual([
      ['backing', pieces.backing.code],
      ['main', pieces.main.code],
    ]);
    expect(await jobsOf(shop.context, { ids: [] })).toEqual([]);
  });
});
