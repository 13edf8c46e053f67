import type { Bag, Fill, Job, Run } from '@yard-spool/contract';
import type { PlanInput } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import {
  booking,
  FIRST_BENCH,
  halfWay,
  numbered,
  PLAN_INPUT,
  receiveTwo,
  runOf,
  wholeFill,
} from '../testing/bookings';
import { askAs } from '../testing/ask-as';
import { said } from '../testing/said';

const bo = askAs('Bo');

const bagOf = async (run: Run): Promise<Bag> => (await bo<Bag>('GET', `/bags/${String(run.bagNumber)}`)).body;
const send = (run: Run, after: number, happenings: { kind: string; payload: object }[]) =>
  bo<{ detail?: string }>('POST', `/runs/${String(run.id)}/events`, {
    events: numbered(run, after, happenings),
  });
const close = async (run: Run): Promise<Fill> =>
  (await bo<Fill>('POST', `/runs/${String(run.id)}/close`, {})).body;
describe('sisters', () => {
  const sisters = async (prefix: string): Promise<readonly [Job, Job, Bag]> => {
    const pieces = await receiveTwo(bo, 900, prefix);
    const [asked] = booking(pieces).jobs;
    const job = { ...asked, label: `Sister ${prefix}` };
    const { body: bag } = await bo<Bag>('POST', '/bags', booking(pieces, { jobs: [job, job] }));
    return [bag.jobs[0]!, bag.jobs[1]!, bag];
  };
  const fillWith = async ({ id }: Job, depth: number, planInput: PlanInput = PLAN_INPUT): Promise<Run> => {
    const { body: run } = await bo<Run>('POST', '/runs', { jobId: id, benchId: FIRST_BENCH });
    const happened = wholeFill(planInput)
      .filter(({ payload }) => (payload as { after?: string }).after !== 'gap')
      .map((one) => (one.kind === 'depth-read' ? { ...one, payload: { ...one.payload, depth } } : one));
    await send(run, 1, happened);
    await close(run);
    return run;
  };

  it('that wait are planned again from what the first one taught, and their bag says what changed', async () => {
    const [first, second, { number }] = await sisters('SI');
    const before = second.plan.layers[0]!;
    await fillWith(first, 5.2);
    const { body: bag } = await bo<Bag>('GET', `/bags/${String(number)}`);
    const after = bag.jobs[1]!;
    expect(after.planInput.observations.some(({ kind }) => kind === 'depth')).toBe(true);
    expect(Math.abs(after.plan.layers[0]!.length.value - before.length.value)).toBeGreaterThan(1);
    expect(after.plan.layers[0]!.length.sd).toBeLessThan(before.length.sd);
    expect(after.cuts[0]!.lengthMm).toBe(Math.round(1000 * after.plan.layers[0]!.length.value));
    const change = bag.history.find(({ what }) => said(what).includes('planned again from what'));
    const told = new RegExp(
      `${second.tag} planned again from what ${first.tag} taught: backing [\\d.]+ m → [\\d.]+ m, ` +
        'likely ([\\d.]+) to ([\\d.]+) m, before ([\\d.]+) to ([\\d.]+) m, ',
    ).exec(said(change!.what));
    const [low = 0, high = 0, lowBefore = 0, highBefore = 0] = (told ?? []).slice(1).map(Number);
    expect(high - low).toBeGreaterThan(0);
    expect(high - low).toBeLessThan(highBefore - lowBefore);
  });

  it('are told what the first one took', async () => {
    const [first, second] = await sisters('ST');
    await fillWith(first, 6);
    const { body: run } = await bo<Run>('POST', '/runs', { jobId: second.id, benchId: FIRST_BENCH });
    expect(run.sister).toMatchObject({ tag: first.tag });
    const turns = run.sister!.layers.find(({ layer }) => layer === 'backing')!.spoolTurns;
    // As they are settled, of its spool: within what a depth read puts right.
    const counted = 5.2 * Math.round(first.plan.layers[0]!.handleTurns.value);
    expect(Math.abs(turns / counted - 1)).toBeLessThan(0.03);
  });

  it('leave alone what is of another kind', async () => {
    const [, other] = await sisters('SO');
    const [first] = await sisters('SX');
    const before = other.plan;
    await fillWith(first, 5);
    const job = (await bo<Job>('GET', `/jobs/${String(other.id)}`)).body;
    expect(job.plan).toEqual(before);
  });
});

describe('as last time', () => {
  it('a reel that comes back knows how its supply and its washers were', async () => {
    const pieces = await receiveTwo(bo, 900, 'LT');
    const run = await runOf(bo, pieces);
    const supply = { layer: 'main', way: 'over-end', supplyTurns: 'clockwise', reelTurns: 'clockwise' };
    const lay = { layer: 'main', rear: 3, front: 2, did: 'add-washer', wound: 60 };
    const looked = [
      { kind: 'supply', payload: supply },
      { kind: 'lay-read', payload: lay },
    ];
    await send(run, 1, halfWay(looked));
    await close(run);
    expect(run.lastTime).toBeNull();
    const [asked] = booking(pieces).jobs;
    const customer = { id: (await bagOf(run)).customer.id };
    const { body: bag } = await bo<Bag>(
      'POST',
      '/bags',
      booking(pieces, { customer, jobs: [{ ...asked, tag: run.job.tag }] }),
    );
    const { body: again } = await bo<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH });
    expect(again.lastTime).toMatchObject({
      washers: 'add-washer',
      supply: { way: 'over-end', supplyTurns: 'clockwise' },
    });
  });
});
