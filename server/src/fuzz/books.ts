import type { Bag, Piece, Product } from '@yard-spool/contract';
import { booking, receiveTwo } from '../testing/bookings';
import type { TestShop } from '../testing/test-shop';
import type { Ask } from '../testing/rack';
import type { Known } from './from-schema';

/** What is on the books of a shop that is fuzzed, by the name of the field it may stand in, and who asks. */
export interface Books {
  readonly known: Known;
  readonly cookies: readonly string[];
}

/** Reels of one bag. */
const A_BAG = 10;

/**
 * A shop with a little of everything, so that a request that is nearly right gets as far as it can.
 *
 * @param waiting reels that wait to be filled: what a change of the rules plans again
 */
export async function fuzzBooks(shop: TestShop, waiting: number): Promise<Books> {
  const ask = await shop.as('Ada');
  const pieces = await receiveTwo(ask, 5000);
  const numbers: number[] = [];
  const bagNumbers: number[] = [];
  const tags: string[] = [];
  for (let i = 0; i < 4; i += 1) {
    const { body: bag } = await ask<Bag>('POST', '/bags', booking(pieces));
    bagNumbers.push(bag.number);
    for (const { id, tag } of bag.jobs) {
      numbers.push(id);
      tags.push(tag);
    }
  }
  await bookWaiting(ask, waiting);
  for (const jobId of numbers.slice(0, 3)) await ask('POST', '/runs', { jobId, benchId: 1 });
  await ask('POST', '/tubs', { name: 'Left tub' });
  const { body: stock } = await ask<Piece[]>('GET', '/pieces');
  const { body: lines } = await ask<Product[]>('GET', '/products');
  const ids = [1, 2, 3, 4];
  return {
    known: {
      id: ids,
      jobId: numbers,
      benchId: [1, 2],
      productId: ids,
      pieceId: stock.map(({ id }) => id),
      number: bagNumbers,
      tag: tags,
      code: stock.map(({ code }) => code),
      into: ids,
      lineCode: lines.map(({ code }) => code),
      layer: ['main', 'backing'],
      after: ['main', 'backing', 'gap'],
      version: [1, 2, 3],
      seq: [2, 3, 4, 5],
      step: ['strip', 'mount', 'tie-on', 'wind-backing'],
      run: ['1', '2', '3'],
      by: ['Ada', 'Bo'],
    },
    cookies: [await shop.cookieOf('Ada'), await shop.cookieOf('Ada'), await shop.cookieOf('Bo')],
  };
}

/** Bags of ten reels of their own, on line that is enough for all of them. */
async function bookWaiting(ask: Ask, waiting: number): Promise<void> {
  if (waiting === 0) return;
  const pieces = await receiveTwo(ask, 100_000, 'W');
  for (let booked = 0; booked < waiting; booked += A_BAG) {
    const body = booking(pieces);
    const jobs = Array.from({ length: Math.min(A_BAG, waiting - booked) }, (_, i) => ({
      ...body.jobs[0],
      label: `Waits ${String(booked + i)}`,
    }));
    const { status } = await ask('POST', '/bags', { ...body, jobs });
    if (status !== 200) throw new Error(`A bag to wait was not booked: ${String(status)}.`);
  }
}
