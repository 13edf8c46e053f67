import type { Bag, HouseChange, SavedHouseRules, Piece, Preview, Run } from '@yard-spool/contract';
import { BUILT_IN_CAUTIONS, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import { TestShop } from '../testing/test-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
let bo: typeof ada;
let pieces: { backing: Piece; main: Piece };
beforeAll(async () => {
  shop = await TestShop.open();
  ada = await shop.as('Ada');
  bo = await shop.as('Bo');
  pieces = await receiveTwo(ada, 5000);
});
afterAll(() => shop.close());

const read = async (): Promise<SavedHouseRules> => (await ada<SavedHouseRules>('GET', '/house-rules')).body;
const change = async (more: object) =>
  ada<SavedHouseRules>('PUT', '/house-rules', { ...(await read()), ...more });
const ruled = (more: object) => change({ rules: { ...USUAL_HOUSE_RULES, ...more } });
beforeEach(() => ruled({}));

const WANTS = { leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false, bevelMm: null };
/** A reel whose gap is the house's: 2.4 mm for 0.26 nylon in a house that goes by the line. */
const gapAsHouse = async (
  from = pieces,
  customer: object = { name: 'Someone New', contact: '' },
): Promise<Bag> => {
  const [job] = booking(from).jobs;
  const planInput = { ...PLAN_INPUT, request: { ...PLAN_INPUT.request, gap: 2.38125 } };
  const jobs = [{ ...job, planInput, wants: { ...WANTS, gap: 'house' } }];
  return (await ada<Bag>('POST', '/bags', booking(from, { jobs, customer }))).body;
};
const bagOf = async ({ number }: Bag): Promise<Bag> => (await ada<Bag>('GET', `/bags/${number}`)).body;
const gapOf = ({ jobs }: Bag): number | undefined => jobs[0]!.planInput.request.gap;

describe('a rule that is thought of', () => {
  it('shows what it would change on the reels that wait, and changes nothing', async () => {
    const bag = await gapAsHouse();
    const rules = { ...USUAL_HOUSE_RULES, level: 'flush', soak: 'overnight' };
    const { body } = await bo<Preview>('POST', '/house-rules/preview', { rules });
    const reel = body.reels.find(({ bagNumber }) => bagNumber === bag.number)!;
    expect(reel.advice.map(({ question }) => question)).toEqual(['level', 'soak']);
    expect(reel.plan?.gap).toEqual({ was: 2.38125, is: 0 });
    const [backing] = reel.plan!.layers;
    expect(backing!.is).toBeGreaterThan(backing!.was + 20);
    expect(await bagOf(bag)).toEqual(bag);
  });

  it('leaves a gap that somebody typed alone', async () => {
    const bag = (await ada<Bag>('POST', '/bags', booking(pieces))).body;
    const { body } = await bo<Preview>('POST', '/house-rules/preview', {
      rules: { ...USUAL_HOUSE_RULES, level: 'flush' },
    });
    expect(body.reels.find(({ bagNumber }) => bagNumber === bag.number)!.plan).toBeNull();
  });

  it('that changes nothing names no reel', async () => {
    const { body } = await bo<Preview>('POST', '/house-rules/preview', { rules: USUAL_HOUSE_RULES });
    expect(body.reels).toEqual([]);
    expect(body.unchanged).toBeGreaterThan(0);
  });
});

describe('a rule that is kept', () => {
  it('plans the reels that follow the house again, promises their line, and says so in their bag', async () => {
    const bag = await gapAsHouse();
    await ruled({ level: 'flush' });
    const now = await bagOf(bag);
    expect(gapOf(now)).toBe(0);
    expect(now.version).toBe(bag.version + 1);
    expect(now.history[0]).toMatchObject({ by: 'Ada' });
    expect(said(now.history[0]!.what)).toContain('planned again: the shop now leaves 0.0 mm');
    const { plan, cuts } = now.jobs[0]!;
    expect(cuts[0]!.lengthMm).toBe(Math.round(plan.layers[0]!.length.value * 1000));
  });

  it('leaves a plan that cannot follow as it is, and its bag says why', async () => {
    const scarce = await receiveTwo(ada, 90, 'LOW');
    const { main } = await receiveTwo(ada, 400, 'PLENTY');
    const bag = await gapAsHouse({ backing: scarce.backing, main });
    // 90 m of backing are enough at 2.4 mm and clearly too little for a flush spool.
    await ruled({ level: 'flush' });
    const now = await bagOf(bag);
    expect(gapOf(now)).toBe(2.38125);
    expect(now.jobs[0]!.cuts).toEqual(bag.jobs[0]!.cuts);
    expect(said(now.history[0]!.what)).toContain('stays as planned');
    expect(said(now.history[0]!.what)).toContain('LOW-25 has not enough free line');
  });

  it('is written down with who, when and what it was', async () => {
    await change({ rules: { ...USUAL_HOUSE_RULES, drag: 'third' }, tailMm: 3000, money: 'kr' });
    const { body } = await bo<HouseChange[]>('GET', '/house-rules/changes');
    expect(body.slice(0, 3)).toMatchObject([
      {
        by: 'Ada',
        about: 'Tail lost with each cut',
        was: { values: { length: { m: 2 } } },
        is: { values: { length: { m: 3 } } },
      },
      { by: 'Ada', about: 'Money', was: '€', is: 'kr' },
      { by: 'Ada', about: 'Where is the drag set?', is: 'A third of it' },
    ]);
    await change({ tailMm: 2000, money: '€' });
  });

  it('asks a longer tail of the rack', async () => {
    await change({ tailMm: 20_000 });
    const pieces = await receiveTwo(ada, 400, 'TAIL');
    await ada('POST', '/bags', booking(pieces));
    await change({ tailMm: 2000 });
    const { body } = await ada<{ piece: Piece }>('GET', '/pieces/TAIL-26');
    expect(body.piece.promisedMm).toBe(140_000);
  });

  it.each([
    [{ tailMm: -1 }, 'tailMm'],
    [{ zone: 'Nowhere/Atall' }, 'zone'],
    [{ money: '' }, 'money'],
  ])('refuses %j, and keeps what was', async (wrong, path) => {
    const before = await read();
    const refused = await change(wrong);
    expect([
      refused.status,
      (refused.body as unknown as { errors: { path: string }[] }).errors[0]!.path,
    ]).toEqual([400, path]);
    expect(await read()).toEqual(before);
  });
});

describe('a run', () => {
  it('keeps the rules, the tail and the bench it began under, closed or not', async () => {
    const asked = { name: 'Bench 7', spanMm: 2400, hand: 'left', devices: [] };
    const { body: bench } = await ada<{ id: number }>('POST', '/benches', asked);
    const own = await receiveTwo(ada, 900, 'RUN');
    const bag = (await ada<Bag>('POST', '/bags', booking(own))).body;
    const run = (await ada<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: bench.id })).body;
    expect(run.under).toEqual({
      rules: USUAL_HOUSE_RULES,
      from: {},
      tailMm: 2000,
      spanMm: 2400,
      hand: 'left',
    });
    await change({ rules: { ...USUAL_HOUSE_RULES, guides: 'all' }, tailMm: 5000 });
    await ada('POST', `/runs/${run.id}/events`, { events: numbered(run, 1, wholeFill()) });
    const fill = (await ada<{ under: Run['under'] }>('POST', `/runs/${run.id}/close`, {})).body;
    expect(fill.under).toEqual(run.under);
    const tail = (await ada<{ moves: { kind: string; lengthMm: number }[] }>('GET', '/pieces/RUN-26')).body
      .moves;
    expect(tail.find(({ kind }) => kind === 'tail')?.lengthMm).toBe(-2000);
    await change({ tailMm: 2000 });
  });
});

describe('cautions', () => {
  it('take the shop’s words, and an unknown one is not taken', async () => {
    const words = { scissors: 'Cutters hang by the door.' };
    await change({ cautions: { words, more: [{ at: 'wind', title: 'Mind the step', text: 'Behind it.' }] } });
    expect((await read()).cautions.words).toEqual(words);
    await change({ cautions: { words: { 'no-such': 'x' }, more: [] } });
    expect(Object.keys((await read()).cautions.words)).toEqual([]);
    expect(BUILT_IN_CAUTIONS.length).toBeGreaterThanOrEqual(10);
  });
});

describe('setting an exception', () => {
  const set = (target: object, question: string, school: string) =>
    ada<{ id: number }>('PUT', '/exceptions', { target, question, school, why: 'asked for it' });

  it('for a customer changes the plans of that customer alone, and taking it back changes them back', async () => {
    const mine = await gapAsHouse(pieces, { name: 'Flush Fan', contact: '' });
    const other = await gapAsHouse();
    const { body } = await set({ scope: 'customer', id: mine.customer.id }, 'level', 'flush');
    expect([gapOf(await bagOf(mine)), gapOf(await bagOf(other))]).toEqual([0, 2.38125]);
    await ada('DELETE', `/exceptions/${body.id}`);
    expect(gapOf(await bagOf(mine))).toBeCloseTo(2.38125, 9);
    expect((await ada('DELETE', `/exceptions/${body.id}`)).status).toBe(404);
  });

  it('goes along to the bench, with where it comes from', async () => {
    const bag = await gapAsHouse();
    const [job] = bag.jobs;
    await set({ scope: 'line', code: 'T-26' }, 'tension', 'light');
    await set({ scope: 'reel', tag: job!.tag }, 'tension', 'tight');
    const run = (await ada<Run>('POST', '/runs', { jobId: job!.id, benchId: FIRST_BENCH })).body;
    expect([run.under.rules.tension, run.under.from]).toEqual(['tight', { tension: 'reel' }]);
  });

  it('for a sort of reel plans such reels again, and goes along to the bench behind what its line needs', async () => {
    const bag = await gapAsHouse();
    const [job] = bag.jobs;
    const main = job!.planInput.request.layers.findLast((layer) => layer.kind === 'line')!;
    const { material } = (main as { line: { material: string } }).line;
    const ofSort = await set({ scope: 'material-on-type', material, type: job!.type }, 'level', 'flush');
    expect(gapOf(await bagOf(bag))).toBe(0);
    const other = await set({ scope: 'material', material: 'braid' }, 'tension', 'tight');
    await set({ scope: 'type', type: job!.type }, 'arborGrip', 'nylon');
    const run = (await ada<Run>('POST', '/runs', { jobId: job!.id, benchId: FIRST_BENCH })).body;
    expect(run.under.from).toMatchObject({ level: 'material-on-type', arborGrip: 'type' });
    expect(run.under.from.tension).not.toBe('material');
    await ada('DELETE', `/exceptions/${ofSort.body.id}`);
    await ada('DELETE', `/exceptions/${other.body.id}`);
    expect(gapOf(await bagOf(await gapAsHouse()))).toBeCloseTo(2.38125, 9);
  });

  it('for a line is what its soak says in the tub', async () => {
    await set({ scope: 'line', code: 'T-26' }, 'soak', 'overnight');
    const tub = (await ada<{ id: number }>('POST', '/tubs', { name: 'Otherwise' })).body;
    const { body } = await ada<{ soaks: { advice: string; why: string }[] }>(
      'POST',
      `/tubs/${tub.id}/soaks`,
      {
        code: pieces.main.code,
      },
    );
    expect(said(body.soaks[0]!.advice)).toMatch(/^10 h in water/);
    expect(body.soaks[0]!.why).toContain('Set so for this line.');
  });

  it('twice for the same keeps the later', async () => {
    const first = await set({ scope: 'line', code: 'T-25' }, 'soak', 'none');
    const second = await set({ scope: 'line', code: 'T-25' }, 'soak', 'overnight');
    expect(second.body.id).toBe(first.body.id);
  });

  it('is refused to a technician, for what is not there, and for a school there is not', async () => {
    const body = { target: { scope: 'reel', tag: 'R-9999' }, question: 'soak', school: 'none', why: 'x' };
    expect((await bo('PUT', '/exceptions', body)).body.code).toBe('not-allowed');
    expect((await ada('PUT', '/exceptions', body)).body.detail).toBe('No reel has the tag R-9999.');
    const odd = await ada('PUT', '/exceptions', { ...body, school: 'forever' });
    expect([odd.status, odd.body.errors?.[0]?.path]).toEqual([400, 'school']);
  });
});

describe('the habits of the shop', () => {
  it('are the reel it books in most and the supply it cuts from most', async () => {
    const { body } = await bo<{ reel: { label: string }; supply: { code: string }; nylons: object[] }>(
      'GET',
      '/house-rules/habits',
    );
    expect([body.reel.label, body.supply.code]).toEqual(['Test 3000', 'P-26']);
    expect(body.nylons).toMatchObject([{ diameter: 0.25 }, { diameter: 0.26 }]);
  });
});
