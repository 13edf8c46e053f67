// Sisters are planned again while others go on with the same bags: nothing anybody changed meanwhile is lost.
import type { Bag, Job, Run } from '@yard-spool/contract';
import { expect, it } from 'vitest';
import { readJob } from '../bags/bags';
import type { ServerContext } from '../context/context';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import { said } from '../testing/said';
import { ADA, TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { replanSameKind } from './replan-same-kind';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
inShop('Bo', (opened) => ({ shop, ask } = opened));

/** The shop as it is read, and somebody who does something each time that the waiting reels were read, as often as told. */
function meddling(times: number, meddle: (time: number) => Promise<unknown>): ServerContext {
  const { context } = shop;
  const { cuts } = context.tables;
  let time = 0;
  const findAll: typeof cuts.findAll = async (...asked) => {
    const rows = await cuts.findAll(...asked);
    if (time < times) await meddle((time += 1));
    return rows;
  };
  const meddled = Object.assign(Object.create(cuts) as typeof cuts, { findAll });
  return { ...context, tables: { ...context.tables, cuts: meddled } };
}

it.each([1, 2, 5])('what is changed while they are planned stands, changed %i times', async (times) => {
  const label = `Meddled ${String(times)}`;
  const prefix = `ME${String(times)}`;
  const [filled] = await filledReel(shop, ask, prefix, { reel: { label } });
  const asked = booking(await receiveTwo(ask, 900, `${prefix}B`));
  const [reel] = asked.jobs;
  const { body: bag } = await ask<Bag>('POST', '/bags', { ...asked, jobs: [{ ...reel, label }] });
  const [job] = bag.jobs;
  const [backing, main] = PLAN_INPUT.request.layers;
  const metres = (time: number): number => 100 + time;
  const change = async (time: number): Promise<void> => {
    const { version } = (await ask<Bag>('GET', `/bags/${String(bag.number)}`)).body;
    const request = { ...PLAN_INPUT.request, layers: [backing, { ...main, length: metres(time) }] };
    const planInput = { ...PLAN_INPUT, request };
    const { status } = await ask('PUT', `/jobs/${String(job!.id)}`, { ...reel, label, version, planInput });
    expect(status).toBe(200);
  };
  await replanSameKind(meddling(times, change), ADA, filled.job.id);
  const { body: now } = await ask<Job>('GET', `/jobs/${String(job!.id)}`);
  const changes = Math.min(times, 3);
  expect(now.planInput.request.layers[1]).toMatchObject({ length: metres(changes) });
  expect(now.planInput.observations.some(({ kind }) => kind === 'depth')).toBe(true);
  expect(now.cuts.find(({ layer }) => layer === 'main')!.lengthMm).toBe(1000 * metres(changes));
  const { history } = (await ask<Bag>('GET', `/bags/${String(bag.number)}`)).body;
  expect(history.filter(({ what }) => said(what).includes('planned again from what')).length).toBe(1);
});

it('a close answers before they are planned, and its end waits for them', async () => {
  const label = 'Not waited for';
  const pieces = await receiveTwo(ask, 900, 'NW');
  const asked = booking(pieces);
  const jobs = [1, 2].map(() => ({ ...asked.jobs[0]!, label }));
  const { body: bag } = await ask<Bag>('POST', '/bags', { ...asked, jobs });
  const [first, sister] = bag.jobs;
  const { body: run } = await ask<Run>('POST', '/runs', { jobId: first!.id, benchId: FIRST_BENCH });
  await ask('POST', `/runs/${String(run.id)}/events`, { events: numbered(run, 1, wholeFill()) });
  const learnt = async (): Promise<boolean> =>
    (await readJob(shop.context, sister!.id)).planInput.observations.some(({ kind }) => kind === 'depth');
  let planNow: () => void = () => undefined;
  shop.context.behind.start('held up', () => new Promise<void>((resolve) => (planNow = resolve)));
  shop.patient = false;
  expect((await ask('POST', `/runs/${String(run.id)}/close`, {})).status).toBe(200);
  expect(await learnt()).toBe(false);
  planNow();
  await shop.context.behind.idle();
  expect(await learnt()).toBe(true);
});
