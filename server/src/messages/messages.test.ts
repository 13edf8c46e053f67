import type { Bag, Fill, SavedHouseRules, Message, Page, Reel, Run } from '@yard-spool/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import { codeOf, type Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
let ask: Ask;
let manager: Ask;
beforeAll(async () => {
  shop = await TestShop.open();
  ask = await shop.as('Bo');
  manager = await shop.as('Ada');
});
afterAll(() => shop.close());

const listed = async (state = 'waiting'): Promise<Message[]> =>
  (await ask<Page<Message>>('GET', `/messages?state=${state}`)).body.rows;
const ofBag = async (bag: number, state = 'waiting'): Promise<Message[]> =>
  (await listed(state)).filter((one) => one.bag === bag);

async function wound(jobId: number): Promise<Run> {
  const { body: run } = await ask<Run>('POST', '/runs', { jobId, benchId: FIRST_BENCH });
  await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
  await ask('POST', `/runs/${run.id}/close`, {});
  return run;
}
async function moved(number: number, i: number, to: string): Promise<Bag> {
  const { body: bag } = await ask<Bag>('GET', `/bags/${number}`);
  const answer = await ask<Bag>('POST', `/jobs/${bag.jobs[i]!.id}/state`, { version: bag.version, to });
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body));
  return answer.body;
}

describe('a bag’s message', () => {
  it('waits once the last reel is checked, says what is on each, and goes where the bag is not ready any more', async () => {
    const asked = booking(await receiveTwo(ask, 900, 'ME'), {
      customer: { name: '{shop} & Ivo', contact: 'pier 2' },
    });
    const [job] = asked.jobs;
    const { body: bag } = await ask<Bag>('POST', '/bags', {
      ...asked,
      jobs: [job, { ...job, label: 'Second' }],
    });
    const first = await wound(bag.jobs[0]!.id);
    await wound(bag.jobs[1]!.id);
    await moved(bag.number, 0, 'ready');
    expect(await ofBag(bag.number)).toEqual([]);
    await moved(bag.number, 1, 'ready');
    const [message, ...others] = await ofBag(bag.number);
    expect(others).toEqual([]);
    expect(message).toMatchObject({
      kind: 'ready',
      customer: { contact: 'pier 2' },
      state: 'waiting',
      done: null,
    });
    expect(message?.text).toContain('Hello {shop} & Ivo,');
    expect(message?.text).toContain(`bag ${bag.number} is ready: 2 reels.`);
    expect(message?.text).toMatch(new RegExp(`${bag.jobs[1]!.tag} Second: \\d+.m Test nylon 0.26`));
    // One of them is opened again: nobody is told to fetch it.
    await ask('POST', `/runs/${first.id}/reopen`, { why: 'one turn more' });
    expect(await ofBag(bag.number)).toEqual([]);
    expect((await ofBag(bag.number, 'done'))[0]).toMatchObject({ state: 'dropped' });
    const { body: fill } = await ask<Fill>('POST', `/runs/${first.id}/close`, {});
    // What it came back with is told beside what is on it, in words for its customer.
    const saw = { complaint: 'loops', saw: '' };
    const { body: back } = await ask<{ id: number }>('POST', `/fills/${fill.id}/comebacks`, saw);
    const found = { ...saw, version: 1, cause: 'our-winding', found: '', did: '', fault: 'too-full' };
    await ask('PUT', `/comebacks/${back.id}`, found);
    await moved(bag.number, 0, 'ready');
    const [again, ...more] = await ofBag(bag.number);
    expect(more).toEqual([]);
    expect(again?.text).toContain('nylon 0.26\nWe filled it a little higher than it likes.');
    // Fetched before anybody wrote: there is nothing to tell.
    await moved(bag.number, 0, 'handed-back');
    expect(await ofBag(bag.number)).toHaveLength(1);
    await moved(bag.number, 1, 'handed-back');
    expect(await ofBag(bag.number)).toEqual([]);
  });

  it('is edited, sent, and keeps its words then; two at once are told', async () => {
    const { body: house } = await manager<SavedHouseRules>('GET', '/house-rules');
    const wordings = { ready: 'Bag {bag}: {reels}. {shop}', due: '' };
    await manager('PUT', '/house-rules', { ...house, shopName: 'The Yard', wordings });
    const { body: bag } = await ask<Bag>('POST', '/bags', booking(await receiveTwo(ask, 900, 'MF')));
    await wound(bag.jobs[0]!.id);
    await moved(bag.number, 0, 'ready');
    const message = (await ofBag(bag.number))[0]!;
    expect(message.text).toBe(`Bag ${bag.number}: 1 reel. The Yard`);
    const { id, version } = message;
    const put = (body: object) =>
      ask<Message>('PUT', `/messages/${id}`, { version, state: 'waiting', text: 'Come', ...body });
    expect((await put({})).body).toMatchObject({ text: 'Come', state: 'waiting' });
    expect(codeOf(await put({ text: 'Come soon' }))).toBe('stale-version');
    const sent = await put({ version: version + 1, state: 'sent' });
    expect(sent.body).toMatchObject({ state: 'sent', done: { by: 'Bo' } });
    expect(codeOf(await put({ version: version + 2, text: 'Other words' }))).toBe('already-closed');
    expect((await put({ version: version + 2 })).body).toMatchObject({ state: 'waiting', done: null });
    expect(codeOf(await put({ version: version + 3, text: '' }))).toBe('bad-request');
    expect(codeOf(await ask('PUT', '/messages/99999', { version: 1, text: 'x', state: 'sent' }))).toBe(
      'not-found',
    );
  });
});

describe('the house’s wordings', () => {
  it('fill in only what there is, and a printer stands in the shop’s own network', async () => {
    const { body: house } = await manager<SavedHouseRules>('GET', '/house-rules');
    const unknown = await manager('PUT', '/house-rules', {
      ...house,
      wordings: { ready: 'For {price}', due: '' },
    });
    expect(unknown.body.errors?.[0]).toMatchObject({ path: 'wordings.ready' });
    expect(codeOf(await manager('PUT', '/house-rules', { ...house, printer: '203.0.113.9:9100' }))).toBe(
      'bad-request',
    );
    expect(codeOf(await manager('PUT', '/house-rules', { ...house, printer: 'no port' }))).toBe(
      'bad-request',
    );
  });
});

describe('the message for line that is due', () => {
  it('waits once however often it is asked for; sent, its customer was told', async () => {
    const [run, fill] = await filledReel(shop, ask, 'MG');
    const { body: message } = await ask<Message>('POST', '/messages', { fillId: fill.id });
    expect(message).toMatchObject({ kind: 'due', tag: run.job.tag, bag: null });
    expect(message.text).toContain(run.job.tag);
    expect((await ask<Message>('POST', '/messages', { fillId: fill.id })).body.id).toBe(message.id);
    const { version, text } = message;
    await ask('PUT', `/messages/${message.id}`, { version, text, state: 'sent' });
    const { body: reel } = await ask<Reel>('GET', `/reels/${run.job.tag}`);
    expect(reel.spools[0]?.on?.toldAt).not.toBeNull();
  });

  it('of a fill that lies there no more is not written', async () => {
    const [run, fill] = await filledReel(shop, ask, 'MH');
    await filledReel(shop, ask, 'MI', {
      bag: { customer: { id: (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body.customer.id } },
      reel: { tag: run.job.tag },
    });
    expect(codeOf(await ask<Fill>('POST', '/messages', { fillId: fill.id }))).toBe('not-allowed');
    expect(codeOf(await ask('POST', '/messages', { fillId: 99_999 }))).toBe('not-allowed');
  });
});
