import type { Bag, Piece } from '@yard-spool/contract';
import { booking, receiveTwo } from '../testing/bookings';
import type { TestShop } from '../testing/test-shop';
import type { Known } from './from-schema';

/** What is on the books of a shop that is fuzzed, by the name of the field it may stand in, and who asks. */
export interface Books {
  readonly known: Known;
  readonly cookies: readonly string[];
}

/** A shop with a little of everything, so that a request that is nearly right gets as far as it can. */
export async function fuzzBooks(shop: TestShop): Promise<Books> {
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
  for (const jobId of numbers.slice(0, 3)) await ask('POST', '/runs', { jobId, benchId: 1 });
  await ask('POST', '/tubs', { name: 'Left tub' });
  const { body: stock } = await ask<Piece[]>('GET', '/pieces');
  const ids = [1, 2, 3, 4];
  return {
    known: {
      ...{ id: ids, jobId: numbers, benchId: [1, 2], productId: ids, pieceId: stock.map(({ id }) => id) },
      ...{ number: bagNumbers, tag: tags, code: stock.map(({ code }) => code), into: ids },
      ...{
        layer: ['main', 'backing'],
        after: ['main', 'backing', 'gap'],
        version: [1, 2, 3],
        seq: [2, 3, 4, 5],
      },
      ...{ step: ['strip', 'mount', 'tie-on', 'wind-backing'], run: ['1', '2', '3'], by: ['Ada', 'Bo'] },
    },
    cookies: [await shop.cookieOf('Ada'), await shop.cookieOf('Ada'), await shop.cookieOf('Bo')],
  };
}
