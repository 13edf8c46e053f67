import type { Bag, Fill, Piece, Reel, ReelKind, Run } from '@yard-spool/contract';
import { makePlan, type Observation } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import {
  booking,
  FIRST_BENCH,
  numbered,
  PLAN_INPUT,
  receiveTwo,
  runOf,
  wholeFill,
} from '../testing/bookings';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Awaited<ReturnType<TestShop['as']>>;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const piece = async (code: string): Promise<Piece> =>
  (await ask<{ piece: Piece }>('GET', `/pieces/${code}`)).body.piece;
const sumOf = async (code: string): Promise<number> =>
  (await ask<{ moves: { lengthMm: number }[] }>('GET', `/pieces/${code}`)).body.moves.reduce(
    (sum, { lengthMm }) => sum + lengthMm,
    0,
  );

/** A reel filled whole, its log as given before the last steps. */
async function filled(prefix: string, more: { kind: string; payload: object }[] = []): Promise<[Run, Fill]> {
  const run = await runOf(ask, await receiveTwo(ask, 900, prefix));
  await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, [...more, ...wholeFill()]) });
  return [run, (await ask<Fill>('POST', `/runs/${run.id}/close`, {})).body];
}

describe('a run opened again', () => {
  it('gives its line back, has no fill until it is closed again, and then draws once', async () => {
    const [run, fill] = await filled('AGAIN');
    const left = (await piece('AGAIN-26')).lengthMm;
    const { body: open } = await ask<Run>('POST', `/runs/${run.id}/reopen`, { why: 'gap was misread' });
    expect(open.state).toBe('open');
    expect(open.events.at(-1)).toMatchObject({ kind: 'reopened', payload: { why: 'gap was misread' } });
    expect((await piece('AGAIN-26')).lengthMm).toBe(900_000);
    expect(await sumOf('AGAIN-26')).toBe(900_000);
    expect((await ask<Reel>('GET', `/reels/${run.job.tag}`)).body.fills).toEqual([]);

    const again = (await ask<Fill>('POST', `/runs/${run.id}/close`, {})).body;
    expect(again.id).not.toBe(fill.id);
    expect((await piece('AGAIN-26')).lengthMm).toBe(left);
    expect(await sumOf('AGAIN-26')).toBe(left);
    expect((await ask<Reel>('GET', `/reels/${run.job.tag}`)).body.fills).toHaveLength(1);
    const bag = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body;
    expect(bag.history.map(({ what }) => what)).toContain('A filled reel was opened again: gap was misread');
  });

  it('is refused while the reel waits in another bag, and changes nothing', async () => {
    const [run] = await filled('INTWO');
    const { customer } = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body;
    const main = await piece('INTWO-26');
    const asked = booking({ main, backing: await piece('INTWO-25') }, { customer: { id: customer.id } });
    const again = { ...asked, jobs: [{ ...asked.jobs[0], tag: run.job.tag, cuts: [] }] };
    const { body: bag } = await ask<Bag>('POST', '/bags', again);
    const refused = await ask('POST', `/runs/${run.id}/reopen`, { why: 'gap was misread' });
    expect([refused.status, refused.body.detail]).toEqual([
      409,
      `${run.job.tag} waits in bag ${bag.number} already. Change it there, or cancel it there first.`,
    ]);
    expect((await piece('INTWO-26')).lengthMm).toBe(main.lengthMm);
    const off = { version: bag.version, why: 'not twice' };
    expect((await ask('POST', `/bags/${bag.number}/cancel`, off)).status).toBe(200);
    expect((await ask('POST', `/runs/${run.id}/reopen`, { why: 'gap was misread' })).status).toBe(200);
  });

  it('wants a reason, and is refused once the reel was handed back', async () => {
    const [run] = await filled('GONE');
    expect((await ask('POST', `/runs/${run.id}/reopen`, { why: ' ' })).status).toBe(400);
    await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'handed-back' }, { id: run.job.id }));
    expect((await ask('POST', `/runs/${run.id}/reopen`, { why: 'x' })).body.code).toBe('already-closed');
  });
});

describe('old line', () => {
  const strip = (values: object) => ({ kind: 'noted', payload: { step: 'strip', values } });

  it('goes into its bin once, whether weighed or not', async () => {
    const [run] = await filled('BIN', [strip({ to: 'bin', material: 'braid', grams: 41, tubeFull: true })]);
    await ask('POST', `/runs/${run.id}/reopen`, { why: 'look again' });
    await ask('POST', `/runs/${run.id}/close`, {});
    const { body } = await ask<{ entries: { why: string; grams: number }[] }>('GET', '/recycling');
    const mine = body.entries.filter(({ why }) => why === `stripped off ${run.job.tag}`);
    expect(mine).toMatchObject([{ grams: 41, stream: 'braid', tubes: 1, estimated: false }]);
  });

  it('goes on the rack as salvage where that is said; what is missing costs no count, and the bag says so', async () => {
    const [run] = await filled('SALV', [strip({ to: 'rack', line: 'T-25', metres: 60 })]);
    expect(await piece(`S-R${run.id}`)).toMatchObject({ kind: 'salvage', lengthMm: 60_000 });
    for (const [prefix, where] of [
      ['SALV2', { to: 'rack' }],
      ['SALV3', { to: 'rack', line: 'NOT-A-LINE', metres: 60 }],
    ] as const) {
      const other = await runOf(ask, await receiveTwo(ask, 900, prefix));
      const events = numbered(other, 1, [strip(where), ...wholeFill()]);
      await ask('POST', `/runs/${other.id}/events`, { events });
      expect((await ask('POST', `/runs/${other.id}/close`, {})).status).toBe(200);
      expect((await piece(`${prefix}-26`)).lengthMm).toBeLessThan(900_000);
      const { history } = (await ask<Bag>('GET', `/bags/${other.bagNumber}`)).body;
      expect(history.map(({ what }) => said(what)).join()).toContain('was not put on the rack');
    }
  });
});

describe('line turned end for end', () => {
  it('is the customer’s own: it comes off no piece, and its promise is free again', async () => {
    const seen = { layer: 'main', way: 'reverse', supplyTurns: null, reelTurns: 'clockwise' };
    const ready = { kind: 'step-done', payload: { step: 'prepare-supply-main' } };
    const [, fill] = await filled('TURNED', [{ kind: 'supply', payload: seen }, ready]);
    expect(fill.layers[1]).toMatchObject({ role: 'main', pieceCode: null });
    const main = await piece('TURNED-26');
    expect([main.lengthMm, main.promisedMm]).toEqual([900_000, 0]);
    expect((await piece('TURNED-25')).lengthMm).toBeLessThan(900_000);
  });
});

describe('old line that stays on', () => {
  it('is part of what is on the reel, under what was wound', async () => {
    const own = await receiveTwo(ask, 900, 'KEPT');
    const [job] = booking(own).jobs;
    const line = { key: 'old line', material: 'nylon', diameter: 0.3 } as const;
    const kept = { kind: 'retained', id: 'kept', line, left: { length: 25 } } as const;
    const { request } = PLAN_INPUT;
    const planInput = { ...PLAN_INPUT, request: { ...request, layers: [kept, ...request.layers] } };
    const body = booking(own, { jobs: [{ ...job, planInput }] });
    const bag = (await ask<Bag>('POST', '/bags', body)).body;
    const run = (await ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH })).body;
    await ask('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill(planInput)) });
    const fill = (await ask<Fill>('POST', `/runs/${run.id}/close`, {})).body;
    expect(fill.layers.map(({ role }) => role)).toEqual(['kept', 'backing', 'main']);
    expect(fill.layers[0]).toMatchObject({ lengthMm: 25_000, pieceCode: null });
    expect(fill.layers[1]!.innerRadius).toBeCloseTo(fill.layers[0]!.outerRadius, 9);
  });
});

describe('what a closed fill teaches', () => {
  it('makes the next plan of the same spool surer, and of its kind a little', async () => {
    const [run] = await filled('LEARN');
    const { body } = await ask<{ reel: { last: { planInput: { observations: Observation[] } } } }>(
      'GET',
      `/reels/${run.job.tag}/last`,
    );
    const spread = (observations: readonly Observation[]): number => {
      const made = makePlan({ ...PLAN_INPUT, observations });
      return made.ok ? made.value.plan.layers[0]!.length.sd : Number.NaN;
    };
    const first = spread(PLAN_INPUT.observations);
    expect(spread(body.reel.last.planInput.observations)).toBeLessThan(0.8 * first);
    const kind = (await ask<ReelKind[]>('GET', '/reel-kinds')).body.find(
      ({ label }) => label === 'Test 3000',
    )!;
    const ofKind = spread([...kind.observations, ...kind.learned]);
    expect(ofKind).toBeLessThan(first);
    expect(kind.learned.length).toBeGreaterThan(0);
  });

  it('is taken back with the fill', async () => {
    const [run] = await filled('UNLEARN');
    await ask('POST', `/runs/${run.id}/reopen`, { why: 'wrong reel' });
    const { body } = await ask<{ reel: { last: { planInput: { observations: Observation[] } } } }>(
      'GET',
      `/reels/${run.job.tag}/last`,
    );
    expect(body.reel.last.planInput.observations.some(({ kind }) => kind === 'depth')).toBe(false);
  });

  it('can be booked again with what was learned', async () => {
    const [run] = await filled('TWICE');
    const own = await receiveTwo(ask, 900, 'TWICE2');
    const last = (await ask<{ reel: { last: { planInput: object } } }>('GET', `/reels/${run.job.tag}/last`))
      .body.reel.last;
    const [job] = booking(own).jobs;
    const { customer } = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body;
    const again = booking(own, {
      customer: { id: customer.id },
      jobs: [{ ...job, tag: run.job.tag, planInput: last.planInput }],
    });
    expect((await ask('POST', '/bags', again)).status).toBe(200);
  });
});
