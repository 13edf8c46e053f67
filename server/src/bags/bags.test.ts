import type { Bag, BagRow, Page, Piece, Problem, Reel } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, PLAN_INPUT, receiveTwo } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  pieces = await receiveTwo(ask);
});
afterAll(() => shop.close());

const job = (more: object) => ({ ...booking(pieces).jobs[0]!, ...more });

const bookTagged = (tag: string, customer: object, more: object = {}) =>
  ask<Bag>('POST', '/bags', booking(pieces, { customer, jobs: [job({ tag, cuts: [], ...more })] }));
const callOff = async ({ number, version }: Bag): Promise<void> => {
  const asked = { version, why: 'not today' };
  expect((await ask('POST', `/bags/${number}/cancel`, asked)).status).toBe(200);
};

describe('booking a bag in', () => {
  it('keeps the plan the core makes, to the last digit', async () => {
    const { status, body: bag } = await ask<Bag>('POST', '/bags', booking(pieces));
    const made = makePlan(PLAN_INPUT);
    expect(status).toBe(200);
    expect(bag.jobs[0]!.plan).toEqual(made.ok && made.value.plan);
    const again = await ask<Bag>('GET', `/bags/${bag.number}`);
    expect(again.body).toEqual(bag);
    // What is believed of such a reel by now is kept with it, so that the plan can be made again.
    expect(again.body.jobs[0]!.planInput).toEqual({ ...PLAN_INPUT, beliefs: { type: 'fixed-spool' } });
  });

  it('gives the reel a tag and finds it by that', async () => {
    const { body: bag } = await ask<Bag>('POST', '/bags', booking(pieces));
    const tag = bag.jobs[0]!.tag;
    expect(tag).toMatch(/^R-\d{4}$/);
    const { body: reel } = await ask<Reel>('GET', `/reels/${tag.toLowerCase()}`);
    expect(reel).toMatchObject({ tag, fills: [], waiting: { bagNumber: bag.number } });
  });

  it('promises the line, so that the rack shows less of it free', async () => {
    const before = (await ask<Piece[]>('GET', '/pieces')).body.find(({ code }) => code === 'P-26')!;
    await ask('POST', '/bags', booking(pieces));
    const after = (await ask<Piece[]>('GET', '/pieces')).body.find(({ code }) => code === 'P-26')!;
    expect(after.promisedMm - before.promisedMm).toBe(122_000);
    expect(after.lengthMm).toBe(before.lengthMm);
  });

  it('makes one bag of a booking sent twice at once', async () => {
    const own = await receiveTwo(ask, 900, 'TWICE');
    const body = booking(own);
    const sent = await Promise.all([1, 2, 3].map(() => ask<Bag>('POST', '/bags', body)));
    expect(new Set(sent.map(({ body: bag }) => bag.number)).size).toBe(1);
    const { rows } = (await ask<Page<BagRow>>('GET', '/bags')).body;
    expect(rows.filter(({ number }) => number === sent[0]!.body.number)).toHaveLength(1);
  });

  it('never promises the same metre twice, even when asked at once', async () => {
    const own = await receiveTwo(ask, 300, 'RACE');
    const sent = await Promise.all(
      [1, 2, 3, 4, 5].map(() => ask<Bag & Problem>('POST', '/bags', booking(own))),
    );
    expect(sent.filter(({ status }) => status === 200)).toHaveLength(2);
    expect(sent.filter(({ status }) => status === 409).map(({ body }) => body.code)).toEqual(
      Array(3).fill('not-enough-line'),
    );
    const piece = (await ask<Piece[]>('GET', '/pieces')).body.find(({ code }) => code === 'RACE-26')!;
    expect(piece.promisedMm).toBe(244_000);
  });

  it.each<[string, () => object, number, string]>([
    [
      'a main that does not fit',
      () => ({ jobs: [job({ planInput: tooLong(), cuts: [] })] }),
      422,
      'plan-does-not-work',
    ],
    [
      'an impossible spool',
      () => ({ jobs: [job({ planInput: { ...PLAN_INPUT, observations: [{ kind: 'lip', diameter: 2 }] } })] }),
      422,
      'plan-does-not-work',
    ],
    [
      'a piece of another line',
      () => ({ jobs: [job({ cuts: [{ layer: 'main', pieceId: pieces.backing.id }] })] }),
      400,
      'bad-request',
    ],
    [
      'a piece that is not there',
      () => ({ jobs: [job({ cuts: [{ layer: 'main', pieceId: 9999 }] })] }),
      404,
      'not-found',
    ],
    [
      'a layer that is not there',
      () => ({ jobs: [job({ cuts: [{ layer: 'leader', pieceId: 1 }] })] }),
      400,
      'bad-request',
    ],
    ['a customer that is not there', () => ({ customer: { id: 9999 } }), 404, 'not-found'],
    ['no reel', () => ({ jobs: [] }), 400, 'bad-request'],
    ['a date that is none', () => ({ promisedAt: 'tomorrow' }), 400, 'bad-request'],
    ['a reel with no name', () => ({ jobs: [job({ label: '  ' })] }), 400, 'bad-request'],
  ])('refuses %s with a sentence and changes nothing', async (_, more, status, code) => {
    const before = await Promise.all([ask('GET', '/bags'), ask('GET', '/pieces'), ask('GET', '/customers')]);
    const refused = await ask('POST', '/bags', booking(pieces, more()));
    expect([refused.status, refused.body.code]).toEqual([status, code]);
    expect(refused.body.detail).toMatch(/\.$/);
    const after = await Promise.all([ask('GET', '/bags'), ask('GET', '/pieces'), ask('GET', '/customers')]);
    expect(after.map(({ body }) => body)).toEqual(before.map(({ body }) => body));
  });

  it('knows a reel again by its tag, and refuses another customer’s tag', async () => {
    const { body: first } = await bookTagged('OWN-1', { name: 'Tag Owner', contact: '' });
    await callOff(first);
    const again = await bookTagged('own-1', { id: first.customer.id });
    expect(again.body.jobs[0]!.tag).toBe('OWN-1');
    const other = await ask('POST', '/bags', booking(pieces, { jobs: [job({ tag: 'OWN-1', cuts: [] })] }));
    expect([other.status, other.body.code]).toEqual([409, 'already-exists']);
    expect(other.body.detail).toContain('another customer');
  });

  it('refuses a reel that waits in a bag already, also twice in one bag or booked by two at once', async () => {
    const { body: first } = await bookTagged('OWN-2', { name: 'Two Bags', contact: '' });
    const mine = { id: first.customer.id };
    const rack = async () => (await ask('GET', '/pieces')).body;
    const before = await rack();
    const again = await ask(
      'POST',
      '/bags',
      booking(pieces, { customer: mine, jobs: [job({ tag: 'OWN-2' })] }),
    );
    expect([again.status, again.body.code]).toEqual([409, 'already-exists']);
    expect(again.body.detail).toBe(
      `OWN-2 waits in bag ${first.number} already. Change it there, or cancel it there first.`,
    );
    expect(await rack()).toEqual(before);
    // Another of its spools is another one.
    const spare = await bookTagged('OWN-2', mine, { spool: 'spare' });
    expect(spare.status).toBe(200);
    await callOff(first);
    const twice = { customer: mine, jobs: [0, 1].map(() => job({ tag: 'OWN-2', cuts: [] })) };
    const refused = await ask('POST', '/bags', booking(pieces, twice));
    expect(refused.body.detail).toContain('in this bag twice');
    const spareOfIt = job({ spool: 'spare', sameReelAs: 0, cuts: [] });
    const waits = { customer: mine, jobs: [job({ tag: 'OWN-2', cuts: [] }), spareOfIt] };
    expect((await ask('POST', '/bags', booking(pieces, waits))).body.detail).toContain(
      `waits in bag ${spare.body.number} already`,
    );
    const both = await Promise.all([bookTagged('OWN-2', mine), bookTagged('OWN-2', mine)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  });
});

describe('finding customers', () => {
  it('by the start of any word of the name, and takes % and _ as they are', async () => {
    await ask(
      'POST',
      '/bags',
      booking(pieces, { customer: { name: 'Per_cent % Quayside', contact: 'x' }, jobs: [job({ cuts: [] })] }),
    );
    const find = async (q: string) =>
      (await ask<{ name: string }[]>('GET', `/customers?q=${encodeURIComponent(q)}`)).body.map(
        ({ name }) => name,
      );
    expect(await find('quay')).toEqual(['Per_cent % Quayside']);
    expect(await find('Per_')).toEqual(['Per_cent % Quayside']);
    expect(await find('%')).toEqual(['Per_cent % Quayside']);
    expect(await find('zzz')).toEqual([]);
  });
});

const tooLong = () => ({
  ...PLAN_INPUT,
  request: {
    ...PLAN_INPUT.request,
    layers: PLAN_INPUT.request.layers.map((layer) =>
      layer.id === 'main' ? { ...layer, length: 900 } : layer,
    ),
  },
});
