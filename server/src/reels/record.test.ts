import type { Exception, Comeback, Fill, Found, Page, Reel, Run } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import type { Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const filled = (prefix: string, bag: object = {}, reel: object = {}): Promise<[Run, Fill]> =>
  filledReel(shop, ask, prefix, { bag, reel });
const reelOf = async (tag: string): Promise<Reel> => (await ask<Reel>('GET', `/reels/${tag}`)).body;
const find = async (q: string): Promise<Found['hits']> =>
  (await ask<Found>('GET', `/search?q=${encodeURIComponent(q)}`)).body.hits;
const customer = (name: string) => ({ customer: { name, contact: `${name} on the quay` } });

describe('a reel’s entry', () => {
  it('takes another tag, name and owner; the tag it had leads to it, and what was done is kept', async () => {
    const [run] = await filled('E1', customer('Orla Quay'));
    await filled('E2', customer('Next Owner'));
    const { tag } = run.job;
    const before = await reelOf(tag);
    const next = (await ask<{ id: number }[]>('GET', '/customers?q=Next')).body[0]!;
    const asked = { version: before.version, tag: 'PIER-7', label: 'Pier 4000', customerId: next.id };
    const { body } = await ask<Reel>('PUT', `/reels/${tag}`, asked);
    expect(body).toMatchObject({
      tag: 'PIER-7',
      label: 'Pier 4000',
      customer: { name: 'Next Owner' },
      tags: [tag],
    });
    expect(body.history[0]?.what).toBe(
      `tag ${tag} → PIER-7; Test 3000 → Pier 4000; from Orla Quay to Next Owner`,
    );
    expect((await reelOf(tag)).tag).toBe('PIER-7');
    expect((await ask('PUT', '/reels/PIER-7', asked)).body.code).toBe('stale-version');
    const hit = (await find(tag)).find(({ kind }) => kind === 'reel');
    expect(hit).toMatchObject({ tag: 'PIER-7', was: tag, customer: 'Next Owner' });
    // Nobody else gets the tag it had.
    const other = (await filled('E3'))[0].job.tag;
    const taken = { version: (await reelOf(other)).version, tag, label: 'x', customerId: next.id };
    expect((await ask('PUT', `/reels/${other}`, taken)).body.code).toBe('already-exists');
    // And its own it can have back.
    const back = { ...asked, version: body.version, tag };
    expect((await ask<Reel>('PUT', '/reels/PIER-7', back)).body).toMatchObject({ tag, tags: ['PIER-7'] });
  });

  it('does not change hands while it lies in somebody’s bag', async () => {
    const asked = booking(await receiveTwo(ask, 900, 'E4'));
    const { body: bag } = await ask<{ jobs: { tag: string }[] }>('POST', '/bags', asked);
    const tag = bag.jobs[0]!.tag;
    const { version, label } = await reelOf(tag);
    const answer = await ask('PUT', `/reels/${tag}`, { version, tag, label, customerId: 1 });
    expect(answer.body.code).toBe('not-allowed');
  });

  it('that is one with another goes into it with all its fills, and its tag leads there', async () => {
    const [first] = await filled('M1', customer('Twice Booked'));
    const { customer: owner } = await reelOf(first.job.tag);
    const [second, fill] = await filled('M2', { customer: { id: owner.id } });
    const spare = await filled('M3', { customer: { id: owner.id } }, { tag: second.job.tag, spool: 'spare' });
    const manager = await shop.as('Ada');
    const target = { scope: 'reel', tag: second.job.tag };
    await manager('PUT', '/exceptions', { target, question: 'soak', school: 'none', why: 'asked for' });
    const merge = (tag: string, into: string) =>
      ask('POST', `/reels/${tag}/merge`, { into, why: 'same reel' });
    expect((await merge(second.job.tag, first.job.tag)).status).toBe(200);
    const body = await reelOf(first.job.tag);
    expect(body.fills.map(({ id }) => id)).toContain(fill.id);
    expect(body.fills).toHaveLength(3);
    expect(body.spools.map(({ name, on }) => [name, on?.fillId])).toEqual([
      ['own', fill.id],
      ['spare', spare[1].id],
    ]);
    expect(body.tags).toEqual([second.job.tag]);
    const { body: exceptions } = await ask<Exception[]>('GET', '/exceptions');
    expect(exceptions).toMatchObject([{ scope: 'reel', key: first.job.tag, question: 'soak' }]);
    expect((await reelOf(second.job.tag)).tag).toBe(first.job.tag);
    expect((await merge(first.job.tag, first.job.tag)).status).toBe(400);
    const stranger = (await filled('M4', customer('Somebody Else')))[0].job.tag;
    expect((await merge(stranger, first.job.tag)).body.code).toBe('not-allowed');
    expect((await merge('NO-SUCH', first.job.tag)).status).toBe(404);
  });
});

describe('a reel that comes back', () => {
  it('is booked against its fill: what was seen, found and done; on the reel, in the list, to be found', async () => {
    const [run, fill] = await filled('C1', customer('Comes Back'));
    const seen = { complaint: 'loops', saw: 'throws loops off the spool since Friday' };
    const { body } = await ask<Comeback>('POST', `/fills/${fill.id}/comebacks`, seen);
    expect(body).toMatchObject({ ...seen, tag: run.job.tag, by: 'Bo', filledBy: 'Bo', cause: null });
    const open = async () => (await ask<Page<Comeback>>('GET', '/comebacks?which=open')).body.rows;
    expect((await open()).map(({ id }) => id)).toEqual([body.id]);
    const said = {
      ...seen,
      version: 1,
      cause: 'our-winding',
      found: 'wound over the lip',
      did: 'took 4 m off',
    };
    expect((await ask<Comeback>('PUT', `/comebacks/${body.id}`, said)).body).toMatchObject({
      did: 'took 4 m off',
    });
    expect((await ask('PUT', `/comebacks/${body.id}`, said)).body.code).toBe('stale-version');
    expect(await open()).toEqual([]);
    expect((await reelOf(run.job.tag)).fills[0]?.comebacks).toMatchObject([
      { id: body.id, cause: 'our-winding' },
    ]);
    expect(await find('wound over lip')).toMatchObject([{ kind: 'note', tag: run.job.tag }]);
    expect((await ask('POST', '/fills/999999/comebacks', seen)).status).toBe(404);
    expect((await ask('POST', `/fills/${fill.id}/comebacks`, { complaint: 'sad', saw: '' })).status).toBe(
      400,
    );
  });
});
