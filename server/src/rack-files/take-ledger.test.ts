import { FILE_COLUMNS, type Bag, type ImportResult } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { ledgerOf, receive, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let now = new Date('2031-01-05T08:00:00.000Z');
beforeAll(async () => {
  shop = await TestShop.open(() => now);
  ask = await shop.as('Ada');
  await receive(ask, 'F-2', 500);
  now = new Date('2031-01-05T10:00:00.000Z');
});
afterAll(() => shop.close());

const importFile = async (what: string, text: string): Promise<ImportResult> => {
  const body = { what, format: 'csv', base64: Buffer.from(text).toString('base64'), preview: false };
  return (await ask<ImportResult>('POST', '/rack-files', body)).body;
};

describe('an imported ledger', () => {
  const HEAD = `${FILE_COLUMNS.ledger.join(',')}\n`;
  const AT = '2031-01-05T09:30:00.000Z';

  it('is booked under whoever imports it, and says whose a row is in the file', async () => {
    await importFile('ledger', `${HEAD}F-2,${AT},filled,-1,Bo,R-7\nF-2,${AT},filled,-1,Somebody,\n`);
    const { moves } = await ledgerOf(ask, 'F-2');
    expect(moves.slice(-2).map(({ by, why }) => [by, why])).toEqual([
      ['Ada', 'R-7, by Bo in the imported file'],
      ['Ada', 'by Somebody in the imported file'],
    ]);
  });

  it('has no past before its piece, no time to come, and nothing of a piece that was written off', async () => {
    await receive(ask, 'W-1', 50);
    await ask('POST', '/pieces/W-1/write-off', { why: 'brittle' });
    const rows = [
      `F-2,2031-01-04T09:00:00.000Z`,
      `F-2,2031-01-06T09:00:00.000Z`,
      `W-1,2031-01-05T09:59:00.000Z`,
    ];
    const { errors, taken } = await importFile(
      'ledger',
      HEAD + rows.map((row) => `${row},filled,-1,Ada,\n`).join(''),
    );
    expect(taken).toBe(false);
    expect(errors.map(({ row, column }) => [row, column])).toEqual([
      [2, 'at'],
      [3, 'at'],
      [4, 'piece'],
    ]);
  });

  it('leaves no piece with less than is promised off it without saying so', async () => {
    const pieces = await receiveTwo(ask, 400);
    const bag = (await ask<Bag>('POST', '/bags', booking(pieces))).body;
    const [job] = bag.jobs;
    const { code } = pieces.main;
    const off = await importFile('ledger', `${HEAD}${code},${now.toISOString()},filled,-399,Ada,\n`);
    expect(off.taken).toBe(false);
    expect(off.errors[0]?.message).toContain(`${job!.tag} in bag ${bag.number}`);
    // Counted so, it is asked about first, and then told to the bag.
    const counted = { lengthMm: 0, why: 'nothing on it' };
    const refused = await ask('POST', `/pieces/${code}/count`, counted);
    expect([refused.status, refused.body.detail]).toEqual([409, expect.stringContaining(job!.tag)]);
    const done = await ask('POST', `/pieces/${code}/count`, { ...counted, anyway: true });
    expect(done.status).toBe(200);
    const { history } = (await ask<Bag>('GET', `/bags/${bag.number}`)).body;
    expect(history[0]?.what).toContain(`${job!.tag} has to be planned again`);
  });
});
