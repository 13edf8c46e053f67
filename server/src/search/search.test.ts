import type {
  CustomerPage,
  Fill,
  Found,
  GotRow,
  Page,
  Recipe,
  Reel,
  ReelKind,
  Run,
} from '@yard-spool/contract';
import { DateTime } from 'luxon';
import { Op } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import { receive, type Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { takeWords } from './take-words';

let shop: TestShop;
let ask: Ask;
inShop('Bo', (opened) => ({ shop, ask } = opened));

const filled = (prefix: string, bag: object = {}, reel: object = {}): Promise<[Run, Fill]> =>
  filledReel(shop, ask, prefix, { bag, reel });
const reelOf = async (tag: string): Promise<Reel> => (await ask<Reel>('GET', `/reels/${tag}`)).body;
const find = async (q: string): Promise<Found['hits']> =>
  (await ask<Found>('GET', `/search?q=${encodeURIComponent(q)}`)).body.hits;
const customer = (name: string) => ({ customer: { name, contact: `${name} on the quay` } });

const foundBy = async (q: string): Promise<Found> =>
  (await ask<Found>('GET', `/search?q=${encodeURIComponent(q)}`)).body;

describe('the way people write it', () => {
  it('a tag without its zeros or its dash, a day without its year, a type, a strength, a letter wrong', async () => {
    await receive(ask, 'CL-88', 900, {
      product: {
        code: 'CL-8LB',
        name: 'Clearwater special',
        material: 'nylon',
        diameter: 0.24,
        strengthKg: 3.629,
        tint: '#445533',
      },
    });
    const [{ job }] = await filled('SW', customer('Wilhelmina Straat'), {
      type: 'trolling',
      label: 'Harling 30',
    });
    const number = Number(job.tag.split('-')[1]);
    for (const q of [`R-${number}`, `r${job.tag.split('-')[1]!}`, `r${number}`])
      expect((await find(q)).some((hit) => hit.kind === 'reel' && hit.tag === job.tag)).toBe(true);
    const today = DateTime.now().toFormat('d LLL', { locale: 'en' });
    expect((await find(today))[0]).toMatchObject({ kind: 'day' });
    expect((await find('trolling')).some((hit) => hit.kind === 'reel' && hit.tag === job.tag)).toBe(true);
    for (const q of ['8 lb', '8lb', '3.6 kg'])
      expect((await find(q)).some((hit) => hit.kind === 'line' && hit.name === 'Clearwater special')).toBe(
        true,
      );
    const wrong = await foundBy('wilhelmena straat');
    expect(wrong.meant).toBe('wilhelmina straat');
    expect(wrong.hits.some((hit) => hit.kind === 'customer')).toBe(true);
    expect(await foundBy('wilhelmina')).toMatchObject({ meant: null });
    expect(await foundBy('qqqqqqq zzz')).toEqual({ hits: [], more: [], meant: null });
  });
});

describe('one box', () => {
  it('finds reels, customers, lines, pieces, lots, bags, notes and days by the words that tell them', async () => {
    await receive(ask, 'MB-19', 900, {
      product: {
        code: 'B-19',
        name: 'Moss braid 0.19',
        material: 'braid',
        diameter: 0.19,
        strengthKg: null,
        tint: '#445533',
      },
      lot: 'LOT-7',
    });
    const [run, fill] = await filled('S1', {
      ...customer('Åse Lindqvist'),
      notes: 'ring first, door is green',
    });
    await ask('POST', `/fills/${fill.id}/correct`, {
      what: 'piece',
      about: '1',
      is: 'MB-19',
      why: 'other spool was up',
    });
    const kinds = async (q: string): Promise<string[]> => (await find(q)).map(({ kind }) => kind);
    expect(await kinds('ase lind')).toEqual(['reel', 'customer']);
    expect(await find(run.job.tag)).toMatchObject([
      { kind: 'reel', drawing: { layers: [{}, { texture: 'nylon' }] } },
    ]);
    expect(await kinds('who has the 0.19 moss braid?')).toEqual(['line', 'piece']);
    expect(await kinds('which reels got lot LOT-7?')).toEqual(['lot', 'piece']);
    expect(await find('green door')).toMatchObject([{ kind: 'bag', number: run.bagNumber }]);
    expect(await find('other spool was up')).toMatchObject([{ kind: 'note', tag: run.job.tag }]);
    // What was taken back is not found.
    const [back, wrong] = await filled('S9', customer('Taken Back'));
    await ask('POST', `/fills/${wrong.id}/comebacks`, { complaint: 'loops', saw: 'zebra stripes' });
    expect(await kinds('zebra')).toEqual(['note']);
    await shop.force(({ tables }) => tables.jobs.changeAll({ state: 'to-check' }, { id: back.job.id }));
    await ask('POST', `/runs/${back.id}/reopen`, { why: 'wrong reel' });
    expect(await kinds('zebra')).toEqual([]);
    expect(await find(`bag ${run.bagNumber}`)).toMatchObject([{ kind: 'bag', number: run.bagNumber }]);
    expect(await find(fill.closedAt.slice(0, 10))).toMatchObject([{ kind: 'day' }]);
    for (const nothing of ['', '  ', '?', 'zzzz', '%', '_', "'; DROP TABLE bags"])
      expect([nothing, await find(nothing)]).toEqual([nothing, []]);
  });

  it('says which reels got a line, a lot or a piece, and whether it lies there still', async () => {
    const got = async (query: string): Promise<GotRow[]> =>
      (await ask<Page<GotRow>>('GET', `/got?${query}`)).body.rows;
    const rows = await got('lot=LOT-7');
    expect(rows).toMatchObject([
      { customer: 'Åse Lindqvist', name: 'Moss braid 0.19', lot: 'LOT-7', still: true },
    ]);
    expect(await got('line=B-19')).toEqual(rows);
    expect(await got('piece=MB-19')).toEqual(rows);
    await filled('S2', { customer: { id: rows[0]!.customerId } }, { tag: rows[0]!.tag });
    expect((await got('lot=LOT-7'))[0]?.still).toBe(false);
    expect(await got('')).toEqual([]);
    // A day begins and ends where the shop is.
    const day = DateTime.fromISO(rows[0]!.filledAt).toISODate() ?? '';
    expect(await got(`day=${day}`)).toContainEqual({ ...rows[0], still: false });
    expect(await got('day=1999-01-01')).toEqual([]);
  });

  it('knows the words of everything as they are now', async () => {
    const { rows } = (await ask<Page<GotRow>>('GET', '/got?piece=MB-19')).body;
    const { body } = await ask<CustomerPage>('GET', `/customers/${rows[0]!.customerId}`);
    const asked = { version: body.version, name: 'Åse Berg', contact: 'boathouse' };
    expect((await ask<CustomerPage>('PUT', `/customers/${rows[0]!.customerId}`, asked)).status).toBe(200);
    expect((await find('lindqvist')).filter(({ kind }) => kind !== 'note')).toEqual([]);
    expect((await find('berg')).map(({ kind }) => kind)).toEqual(['reel', 'customer']);
    expect((await ask('PUT', `/customers/${rows[0]!.customerId}`, asked)).body.code).toBe('stale-version');
    const { piece } = (await ask<{ piece: { version: number } }>('GET', '/pieces/MB-19')).body;
    const change = {
      version: piece.version,
      code: 'MB-20',
      place: 'Wall',
      lot: 'LOT-9',
      wound: 'unknown',
      leaves: 'unknown',
    };
    const changed = await ask('PUT', '/pieces/MB-19', { ...piece, ...change });
    expect(changed.status).toBe(200);
    expect((await find('lot-9')).map(({ kind }) => kind)).toEqual(['lot', 'piece']);
    expect(await find('lot-7')).toEqual([]);
  });
});

describe('a kind of reel', () => {
  it('tells what was wound on it, how much and with what gap; renamed or merged it keeps all', async () => {
    const reel = { label: 'Recipe 2500' };
    const [run] = await filled('R1', customer('Recipes'), reel);
    const [last] = await filled('R2', customer('Recipes'), reel);
    const kind = async (label: string): Promise<ReelKind> =>
      (await ask<ReelKind[]>('GET', '/reel-kinds')).body.find((one) => one.label === label)!;
    const recipes = async (label: string): Promise<Recipe[]> =>
      (await ask<Recipe[]>('GET', `/reel-kinds/${(await kind(label)).id}/recipes`)).body;
    const [recipe] = await recipes('Recipe 2500');
    expect(recipe).toMatchObject({
      times: 2,
      tag: last.job.tag,
      main: 'Test nylon 0.26',
      backing: 'Test nylon 0.25',
    });
    expect(recipe!.gap).toEqual([1.6, 1.6, 1.6]);
    expect(recipe!.mainMm[0]).toBeGreaterThan(100_000);
    const { id, version, type, observations, gear } = await kind('Recipe 2500');
    const renamed = { version, type, observations, gear, label: 'Recipe 2500 S' };
    expect((await ask('PUT', `/reel-kinds/${id}`, renamed)).status).toBe(200);
    expect(await recipes('Recipe 2500 S')).toEqual([recipe]);
    expect((await reelOf(run.job.tag)).label).toBe('Recipe 2500 S');
    await filled('R3', customer('Recipes'), { label: 'Recipe two' });
    const into = (await kind('Recipe two')).id;
    expect((await ask('POST', `/reel-kinds/${id}/merge`, { into })).status).toBe(200);
    expect((await recipes('Recipe two'))[0]?.times).toBe(3);
  });
});

describe('a customer', () => {
  it('has reels with what is on each, what they like, their own line here and their bags', async () => {
    const gap = { planInput: booking(await receiveTwo(ask, 900, 'U0')).jobs[0]!.planInput };
    const [run] = await filled('U1', customer('Likes Leaders'), {
      ...gap,
    });
    const { customer: owner } = await reelOf(run.job.tag);
    await filled(
      'U2',
      {
        customer: { id: owner.id },
        brought: [{ name: 'Own spool', material: 'nylon', diameter: 0.3, lengthMm: 250_000 }],
      },
      { tag: run.job.tag },
    );
    const { body } = await ask<CustomerPage>('GET', `/customers/${owner.id}`);
    expect(body).toMatchObject({
      customer: { name: 'Likes Leaders' },
      reels: [
        {
          tag: run.job.tag,
          spools: [{ name: 'own', on: { lines: [{ role: 'backing' }, { role: 'main' }] } }],
        },
      ],
      likes: {
        fills: 2,
        gap: { mm: 1.5, times: 2 },
        main: { name: 'Test nylon 0.26', times: 2 },
        leader: null,
      },
      line: [{ lengthMm: 250_000 }],
    });
    expect(body.bags.map(({ open }) => open)).toEqual([false, false]);
    expect((await ask('GET', '/customers/999999')).status).toBe(404);
  });
});

describe('a shop from before there was a search', () => {
  it('gets the words of everything once, the same that are kept as things come and change', async () => {
    const kept = async () =>
      (await shop.context.tables.searchWords.findAll({ order: ['kind', 'ref', 'word'] })).map(
        ({ kind, ref, word }) => `${kind} ${String(ref)} ${word}`,
      );
    const before = await kept();
    expect(before.length).toBeGreaterThan(100);
    await shop.force(({ tables }) => tables.searchWords.removeAll({ ref: { [Op.gt]: 0 } }));
    expect(await kept()).toEqual([]);
    await takeWords(shop.context);
    expect(await kept()).toEqual(before);
    // Killed half-way: the rest is taken up.
    await shop.force(({ tables }) => tables.searchWords.removeAll({ kind: 'reel', ref: { [Op.gt]: 2 } }));
    await takeWords(shop.context);
    expect(await kept()).toEqual(before);
  });
});
