import type { Bag, Fill, Learning, Problem, Reel, Run } from '@yard-spool/contract';
import { makePlan, runSteps } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, RUN_FACTS } from '../testing/bookings';
import { codeOf, ledgerOf } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';

const FT = 0.3048;
type Ask = Awaited<ReturnType<TestShop['as']>>;
let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const walked = (reading: number, more: object = {}) => ({
  kind: 'walked',
  payload: {
    layer: 'main',
    match: 100 * FT,
    tape: 100 * FT,
    reading,
    unit: 'ft',
    step: 1,
    over: 'field',
    ...more,
  },
});

/** A trolling reel filled as planned, with what happened at its counter. */
function filled(atCounter: readonly { kind: string; payload: object }[]) {
  const made = makePlan(PLAN_INPUT);
  if (!made.ok) throw new Error('This plan works.');
  return runSteps({ ...RUN_FACTS, type: 'trolling' }).flatMap(({ id, kind, layer }) => [
    ...(kind === 'wind'
      ? [
          {
            kind: 'turns',
            payload: {
              layer: layer!,
              turns: Math.round(made.value.plan.layers.find((one) => one.id === layer)!.handleTurns.value),
            },
          },
        ]
      : []),
    ...(kind === 'counter' ? atCounter : []),
    { kind: 'step-done', payload: { step: id } },
  ]);
}

async function trollingRun(prefix: string): Promise<Run> {
  const pieces = await receiveTwo(ask, 400, prefix);
  const body = booking(pieces);
  const jobs = body.jobs.map((job) => ({ ...job, type: 'trolling', label: 'Test troll 30' }));
  const bag = (await ask<Bag>('POST', '/bags', { ...body, jobs })).body;
  return (await ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH })).body;
}

const closed = async (run: Run, log: ReturnType<typeof filled>) => {
  const added = await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, log) });
  expect(added.status).toBe(200);
  return ask<Fill & Problem>('POST', `/runs/${run.id}/close`, {});
};

describe('a trolling reel whose counter was matched', () => {
  it('keeps match, walks, level and reading with its fill, and the line moved with its piece', async () => {
    const run = await trollingRun('CR');
    const plain = await closed(run, filled([]));
    expect(plain.body.counter).toBeNull();
    const other = await trollingRun('CS');
    const add = { kind: 'metres', payload: { layer: 'main', metres: 20 } };
    const { body } = await closed(other, filled([walked(104), add, walked(100, { expected: 100.2 })]));
    expect(body.counter).toMatchObject({ unit: 'ft', match: 100 * FT, agrees: true, tight: null });
    expect(body.counter!.walks.map(({ reading, expected, by }) => [reading, expected, by])).toEqual([
      [104, null, 'Bo'],
      [100, 100.2, 'Bo'],
    ]);
    const drawn = async (code: string): Promise<number> =>
      (await ledgerOf(ask, code)).moves.find(({ kind }) => kind === 'filled')!.lengthMm;
    const without = await drawn('CR-26');
    const withIt = await drawn('CS-26');
    expect(without - withIt).toBeGreaterThan(15_000);
    expect(without - withIt).toBeLessThan(25_000);
    const reel = (await ask<Reel>('GET', `/reels/${other.job.tag}`)).body;
    expect(reel.fills[0]!.counter).toEqual(body.counter);
  });

  it('has no gap as read once line was moved since, and tells it from the line', async () => {
    const run = await trollingRun('CG');
    const read = { kind: 'depth-read', payload: { after: 'gap', depth: 1.6, by: 'calliper' } };
    const plain = (await closed(run, filled([read]))).body;
    const other = await trollingRun('CH');
    const add = { kind: 'metres', payload: { layer: 'main', metres: 20 } };
    const { body } = await closed(other, filled([read, walked(104), add, walked(100)]));
    expect(plain.gapRead).toBe(1.6);
    expect(body.gapRead).toBeNull();
    expect(body.gapByCount).toBeLessThan(plain.gapByCount - 0.3);
    const reel = (await ask<Reel>('GET', `/reels/${other.job.tag}`)).body;
    expect(reel.spools[0]!.on!.gap).toBe(body.gapByCount);
  });

  it('keeps a reading as it was typed, and what it began at', async () => {
    const run = await trollingRun('CB');
    const { body } = await closed(run, filled([walked(112, { began: 12, cause: 'not-zeroed' })]));
    expect(body.counter!.walks).toMatchObject([{ reading: 100, typed: 112, began: 12 }]);
  });

  it('books the next fill by the counter of this very reel, before its kind’s, in its unit', async () => {
    const run = await trollingRun('CO');
    await closed(run, filled([walked(101)]));
    const { tag, planInput, type, label } = run.job;
    const bag = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body;
    const pieces = await receiveTwo(ask, 400, 'CP');
    const cuts = [
      { layer: 'backing', pieceId: pieces.backing.id },
      { layer: 'main', pieceId: pieces.main.id },
    ];
    const known = async (more: object) => {
      const job = { type, label, planInput, cuts, ...more };
      const asked = { key: crypto.randomUUID(), customer: { id: bag.customer.id }, notes: '', jobs: [job] };
      const promisedAt = '2030-01-02T16:00:00.000Z';
      const { body } = await ask<Bag>('POST', '/bags', { ...asked, promisedAt });
      return body.jobs[0]!.planInput.beliefs?.counter;
    };
    expect(await known({ tag })).toMatchObject({ from: 'reel', unit: 'ft' });
    expect(await known({})).toMatchObject({ from: 'kind' });
  });

  it('teaches what a turn is worth, for the reel and for its kind', async () => {
    const run = await trollingRun('CL');
    await closed(run, filled([walked(101)]));
    const { counters } = (await ask<Learning>('GET', '/learning')).body;
    const mine = counters.reels.find(({ key }) => key === run.job.tag)!.counter;
    expect(mine).toMatchObject({ unit: 'ft', from: 'reel' });
    const kind = counters.kinds.find(({ key }) => key === 'trolling test troll 30')!.counter;
    expect(kind.from).toBe('kind');
    expect(Math.abs(kind.perTurn / mine.perTurn - 1)).toBeLessThan(0.05);
  });

  it.each<[string, object]>([
    ['a reading of nothing', { reading: 0 }],
    ['a mark no field has', { tape: 900 }],
    ['a counter in hands', { unit: 'hand' }],
    ['a mark of an earlier walk that is none', { earlier: { walk: -1, tape: 30 } }],
    ['a reading of no number', { reading: 1e300 }],
  ])('refuses %s, and writes nothing', async (_, more) => {
    const run = await trollingRun(`C${String(Math.abs(JSON.stringify(more).length))}`);
    const events = numbered(run, 1, [walked(100, more)]);
    expect(codeOf(await ask('POST', `/runs/${run.id}/events`, { events }))).toBe('bad-request');
    expect((await ask<Run>('GET', `/runs/${run.id}`)).body.events).toHaveLength(1);
  });
});

describe('counters that wait, and counters side by side', () => {
  it('lists runs that stand at their counter, and no other', async () => {
    const run = await trollingRun('CW');
    const waiting = async (): Promise<number[]> =>
      (await ask<{ id: number }[]>('GET', '/counters-waiting')).body.map(({ id }) => id);
    expect(await waiting()).not.toContain(run.id);
    const log = filled([]);
    const upTo = log.findIndex(({ payload }) => (payload as { step?: string }).step === 'counter');
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, log.slice(0, upTo)) });
    expect(await waiting()).toContain(run.id);
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1 + upTo, [log[upTo]!]) });
    expect(await waiting()).not.toContain(run.id);
  });

  it('gives a customer’s counters by reel, each as it was matched last', async () => {
    const run = await trollingRun('CU');
    await closed(run, filled([walked(100)]));
    const customer = (await ask<Reel>('GET', `/reels/${run.job.tag}`)).body.customer.id;
    const { body } = await ask<{ tag: string; counter: { match: number } }[]>(
      'GET',
      `/customers/${customer}/counters`,
    );
    expect(body.filter(({ tag }) => tag === run.job.tag)).toHaveLength(1);
    expect(body.find(({ tag }) => tag === run.job.tag)!.counter.match).toBeCloseTo(100 * FT, 9);
    expect((await ask<unknown[]>('GET', '/customers/99999/counters')).body).toEqual([]);
    expect(codeOf(await shop.ask('GET', '/counters-waiting'))).toBe('not-signed-in');
  });
});
