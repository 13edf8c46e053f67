import type { CustomerPage, DueRow, Exception, Fill, Page, Reel, Run } from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { filledReel } from '../testing/filled';
import type { Ask } from '../testing/rack';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ask: Ask;
let manager: Ask;
const START = DateTime.fromISO('2030-01-02T08:00:00.000Z', { zone: 'utc' });
let now: DateTime = START;
beforeAll(async () => {
  shop = await TestShop.open(() => now.toJSDate());
});
afterAll(() => shop.close());

/** Signs in again: no session lasts a season. */
async function goTo(when: DateTime): Promise<void> {
  now = when;
  ask = await shop.as('Bo');
  manager = await shop.as('Ada');
}

/** 0.26 nylon is light: good for 4 trips or 12 months. */
const filled = (prefix: string): Promise<[Run, Fill]> => filledReel(shop, ask, prefix);
const due = async (query = ''): Promise<DueRow[]> =>
  (await ask<Page<DueRow>>('GET', `/due${query}`)).body.rows;
const mark = (fill: Fill, body: object) => ask<Reel>('POST', `/fills/${fill.id}/marks`, body);
const tags = (rows: readonly DueRow[]): string[] => rows.map(({ tag }) => tag);

describe('what is due', () => {
  let first: [Run, Fill];
  let second: [Run, Fill];
  it('comes by months, the one that became due last first, and can be asked for ahead', async () => {
    await goTo(START);
    first = await filled('D1');
    await goTo(START.plus({ months: 1 }));
    second = await filled('D2');
    expect(await due()).toEqual([]);
    await goTo(START.plus({ months: 12, days: 1 }));
    const rows = await due();
    expect(tags(rows)).toEqual([first[0].job.tag]);
    expect(rows[0]).toMatchObject({
      here: false,
      on: { by: 'months', dueAt: START.plus({ months: 12 }).toISO(), toldAt: null, trips: null },
    });
    expect(rows[0]!.on.drawing.layers).toHaveLength(2);
    expect(said(rows[0]!.on.reverse)).toMatch(/^Reverse it: /);
    const ahead = await due(`?by=${START.plus({ months: 14 }).toISO()}`);
    expect(tags(ahead)).toEqual([second[0].job.tag, first[0].job.tag]);
  });

  it('comes by trips as soon as so many were told, and not before', async () => {
    expect((await mark(second[1], { kind: 'trips', trips: 3 })).body.spools[0]?.on?.trips).toBe(3);
    expect(tags(await due())).toEqual([first[0].job.tag]);
    const { body } = await mark(second[1], { kind: 'trips', trips: 5 });
    expect(body.spools[0]?.on).toMatchObject({ trips: 5, by: 'trips', dueAt: now.toISO() });
    expect(tags(await due())).toEqual([second[0].job.tag, first[0].job.tag]);
    // It was told wrong: fewer trips, and it is not due any more.
    await mark(second[1], { kind: 'trips', trips: 2 });
    expect(tags(await due())).toEqual([first[0].job.tag]);
  });

  it('once its customer was told is out of the way, and can be looked at', async () => {
    await mark(first[1], { kind: 'told' });
    expect(await due()).toEqual([]);
    expect(tags(await due('?told=show'))).toEqual([first[0].job.tag]);
  });

  it('reversed begins again with its fresh end: trips, months and telling', async () => {
    await mark(second[1], { kind: 'trips', trips: 9 });
    const { body } = await mark(second[1], { kind: 'reversed' });
    expect(body.spools[0]?.on).toMatchObject({
      trips: null,
      reversedAt: now.toISO(),
      dueAt: now.plus({ months: 12 }).toISO(),
      by: 'months',
    });
    expect(tags(await due('?told=show'))).toEqual([first[0].job.tag]);
  });

  it('follows the house’s rule, and an exception for a customer before it', async () => {
    const { body: house } = await manager<{ rules: object; version: number }>('GET', '/house-rules');
    const rules = { ...house, rules: { ...house.rules, service: 'by-trips' } };
    expect((await manager('PUT', '/house-rules', rules)).status).toBe(200);
    expect(tags(await due('?told=show'))).toEqual([]);
    const { customer } = (await ask<Reel>('GET', `/reels/${first[0].job.tag}`)).body;
    await manager('PUT', '/exceptions', {
      target: { scope: 'customer', id: customer.id },
      question: 'service',
      school: 'by-months',
      why: 'x',
    });
    expect(tags(await due('?told=show'))).toEqual([first[0].job.tag]);
    const page = (await ask<CustomerPage>('GET', `/customers/${customer.id}`)).body;
    expect(page.reels[0]?.spools[0]?.on).toMatchObject({ dueAt: START.plus({ months: 12 }).toISO() });
    await manager('PUT', '/exceptions', {
      target: { scope: 'reel', tag: first[0].job.tag },
      question: 'service',
      school: 'by-trips',
      why: 'x',
    });
    expect(await due('?told=show')).toEqual([]);
  });

  it('follows a rule for a sort of reel behind one for its line, and before the house’s', async () => {
    const { type, planInput } = first[0].job;
    const main = planInput.request.layers.flatMap((one) =>
      one.kind === 'line' && one.role === 'main' ? [one.line] : [],
    )[0]!;
    const set = async (target: object, school: string): Promise<number> =>
      (await manager<{ id: number }>('PUT', '/exceptions', { target, question: 'service', school, why: 'x' }))
        .body.id;
    const shown = async (): Promise<string[]> => tags(await due('?told=show'));
    const own = await manager<{ id: number; scope: string }[]>('GET', '/exceptions');
    for (const { id } of own.body) await manager('DELETE', `/exceptions/${String(id)}`);
    expect(await shown()).toEqual([]);
    // The list and the reel's own page tell the same.
    const onReel = async (): Promise<string | null | undefined> =>
      (await ask<Reel>('GET', `/reels/${first[0].job.tag}`)).body.spools[0]?.on?.dueAt;
    const worn = await onReel();
    for (const target of [
      { scope: 'type', type },
      { scope: 'material', material: main.material },
    ]) {
      const id = await set(target, 'by-months');
      expect(await shown()).toContain(first[0].job.tag);
      expect(await onReel()).not.toBe(worn);
      await manager('DELETE', `/exceptions/${String(id)}`);
    }
    await set({ scope: 'material', material: main.material }, 'by-months');
    const both = await set({ scope: 'material-on-type', material: main.material, type }, 'by-trips');
    expect(await shown()).toEqual([]);
    await set({ scope: 'line', code: main.key }, 'by-months');
    expect(await shown()).toContain(first[0].job.tag);
    expect(await onReel()).not.toBe(worn);
    for (const target of [
      { scope: 'type', type: 'lure' },
      { scope: 'material-on-type', type },
    ])
      expect(
        (await manager('PUT', '/exceptions', { target, question: 'service', school: 'by-trips', why: 'x' }))
          .status,
      ).toBe(400);
    const listed = (await manager<Exception[]>('GET', '/exceptions')).body.find(({ id }) => id === both);
    expect(listed).toMatchObject({
      scope: 'material-on-type',
      name: expect.stringMatching(/ on .+ reels$/) as string,
    });
    for (const { id } of (await manager<Exception[]>('GET', '/exceptions')).body)
      await manager('DELETE', `/exceptions/${String(id)}`);
    await set({ scope: 'reel', tag: first[0].job.tag }, 'by-trips');
  });

  it('is of what lies there now: a later fill, or one taken back, tells again', async () => {
    await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'to-check' }, { id: first[0].job.id }));
    await ask('POST', `/runs/${first[0].id}/reopen`, { why: 'look again' });
    expect((await ask<Reel>('GET', `/reels/${first[0].job.tag}`)).body.spools[0]?.on).toBeNull();
    expect((await mark(first[1], { kind: 'told' })).status).toBe(404);
  });

  it('comes in pages, each once, and refuses what is no page, no day, no count', async () => {
    await goTo(START.plus({ months: 1 }));
    await shop.force(async ({ tables }) => {
      const spool = await tables.spools.findOne({ where: { fillId: second[1].id } });
      for (let i = 0; i < 120; i += 1)
        await tables.spools.create({
          reelId: spool!.reelId,
          name: `more ${String(i)}`,
          fillId: second[1].id,
          wornAt: START.plus({ minutes: Math.floor(i / 3) }).toJSDate(),
        });
    });
    const seen: string[] = [];
    for (let after = ''; ;) {
      const { rows, next } = (await ask<Page<DueRow>>('GET', `/due?after=${after}`)).body;
      seen.push(...rows.map(({ spool }) => spool));
      if (next === null) break;
      after = next;
    }
    expect(seen).toHaveLength(120);
    expect(new Set(seen).size).toBe(120);
    for (const query of ['?by=2030-02-30T00:00:00.000Z', '?by=soon', '?after=x', '?told=maybe'])
      expect([query, (await ask('GET', `/due${query}`)).status]).toEqual([query, 400]);
    for (const trips of [-1, 1.5, 1e9, 'many'])
      expect([trips, (await mark(second[1], { kind: 'trips', trips })).status]).toEqual([trips, 400]);
  });
});
