import type { Bag, Fill, Job, Piece, ReorderLine, Run } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import { askAs } from '../testing/ask-as';

const bo = askAs('Bo');

/** A main of a given length alone, off the piece's own line. */
const mainOnly = (metres: number, code = 'T-26', diameter = 0.26, material = 'nylon') => ({
  ...PLAN_INPUT,
  request: {
    gear: 5.2,
    layers: [
      { kind: 'line', id: 'main', role: 'main', line: { key: code, material, diameter }, length: metres },
    ],
  },
});
const jobOf = (planInput: object, cut: object) => ({
  type: 'fixed-spool',
  label: 'Test 3000',
  planInput,
  cuts: [{ layer: 'main', ...cut }],
});
const book = (jobs: object[], more: object = {}) =>
  bo<Bag & { detail?: string }>('POST', '/bags', {
    key: crypto.randomUUID(),
    customer: { name: 'Someone New', contact: '' },
    promisedAt: '2030-01-02T16:00:00.000Z',
    jobs,
    ...more,
  });
const piece = async (code: string): Promise<Piece> =>
  (await bo<{ piece: Piece }>('GET', `/pieces/${code}`)).body.piece;
const fill = async ({ id }: Job): Promise<Fill> => {
  const { body: run } = await bo<Run>('POST', '/runs', { jobId: id, benchId: FIRST_BENCH });
  const happened = wholeFill(run.job.planInput).filter(({ kind }) => kind !== 'depth-read');
  await bo('POST', `/runs/${String(run.id)}/events`, { events: numbered(run, 1, happened) });
  return (await bo<Fill>('POST', `/runs/${String(run.id)}/close`, {})).body;
};

describe('packs used up', () => {
  it('300 m give 300 m: a cut that takes all has no tail', async () => {
    const { main } = await receiveTwo(bo, 300, 'ALL');
    const { status, body } = await book([jobOf(mainOnly(300), { pieceId: main.id })]);
    expect(status).toBe(200);
    expect(body.jobs[0]!.cuts[0]).toMatchObject({ lengthMm: 300_000, tailMm: 0 });
    expect(await piece('ALL-26')).toMatchObject({ promisedMm: 300_000 });
  });

  it('200 m make two of 100, and nothing is lost between them', async () => {
    const { main } = await receiveTwo(bo, 200, 'TWO');
    const half = jobOf(mainOnly(100), { pieceId: main.id, takes: { pack: 0.5 } });
    const { body: bag } = await book([half, half]);
    expect(bag.jobs.map(({ cuts }) => cuts[0])).toMatchObject([
      { lengthMm: 100_000, tailMm: 0, takes: { pack: 0.5 } },
      { lengthMm: 100_000, tailMm: 0, takes: { pack: 0.5 } },
    ]);
    expect(await piece('TWO-26')).toMatchObject({ lengthMm: 200_000, promisedMm: 200_000 });
  });

  it('names the tails where they are what lacks', async () => {
    const { main } = await receiveTwo(bo, 200, 'TAIL');
    const hundred = jobOf(mainOnly(100), { pieceId: main.id });
    const exact = { ...hundred, planInput: mainOnly(100) };
    const { body: first } = await book([exact]);
    expect(first.jobs[0]!.cuts[0]).toMatchObject({ tailMm: 2000 });
    const second = await book([exact]);
    expect(second.status).toBe(409);
    expect(second.body.detail).toMatch(/2 m short.*tails.*equal parts/);
  });

  it('lets a shortfall within the doubt through, and promises what is there', async () => {
    const made = makePlan(PLAN_INPUT);
    const takes = made.ok ? made.value.plan.layers[0]!.length : null;
    const there = Math.floor(takes!.value) - 3;
    expect(takes!.high - takes!.value).toBeGreaterThan(4);
    const { backing } = await receiveTwo(bo, there, 'DOUBT');
    const { main } = await receiveTwo(bo, 400, 'ENOUGH');
    const { status, body } = await book(booking({ main, backing }).jobs);
    expect(status).toBe(200);
    expect(body.jobs[0]!.cuts[0]).toMatchObject({ lengthMm: 1000 * there, tailMm: 0 });
    const { backing: half } = await receiveTwo(bo, Math.floor(takes!.low / 2), 'CLEARLY');
    expect((await book(booking({ main, backing: half }).jobs)).status).toBe(409);
  });
});

describe('line that has yet to come', () => {
  it('is booked without a piece, counts as promised, and keeps its reel off the bench', async () => {
    const { main } = await receiveTwo(bo, 30, 'COMING');
    const { status, body: bag } = await book([jobOf(mainOnly(150), { productId: main.product.id })]);
    expect(status).toBe(200);
    expect(bag.jobs[0]!.cuts[0]).toMatchObject({ pieceId: null, pieceCode: null, lengthMm: 150_000 });
    const { lines } = (await bo<{ lines: ReorderLine[] }>('GET', '/reorder')).body;
    expect(lines.find(({ product }) => product.code === 'T-26')!.promisedMm).toBeGreaterThanOrEqual(150_000);
    const start = await bo<{ detail: string }>('POST', '/runs', {
      jobId: bag.jobs[0]!.id,
      benchId: FIRST_BENCH,
    });
    expect(start.status).toBe(409);
    expect(start.body.detail).toMatch(/waits for 150 m of Test nylon 0.26/);
  });

  it('goes on once a piece is chosen', async () => {
    const { main } = await receiveTwo(bo, 30, 'LATER');
    const { body: bag } = await book([jobOf(mainOnly(150), { productId: main.product.id })]);
    const { main: come } = await receiveTwo(bo, 300, 'COME');
    const [job] = bag.jobs;
    const asked = { ...jobOf(mainOnly(150), { pieceId: come.id }), version: bag.version };
    const { status, body } = await bo<Bag>('PUT', `/jobs/${String(job!.id)}`, asked);
    expect(status).toBe(200);
    expect(body.jobs[0]!.cuts[0]).toMatchObject({ pieceCode: 'COME-26' });
  });

  it('is refused for a line that is not the plan’s, or not on the list', async () => {
    const { backing } = await receiveTwo(bo, 30, 'WRONG');
    expect((await book([jobOf(mainOnly(50), { productId: backing.product.id })])).status).toBe(400);
    expect((await book([jobOf(mainOnly(50), { productId: 99_999 })])).status).toBe(404);
  });
});

describe('the customer’s own line', () => {
  const brought = [{ name: 'Their green one', material: 'nylon', diameter: 0.28, lengthMm: 300_000 }];
  const own = (metres: number) => jobOf(mainOnly(metres, 'OWN-NYLON-0280', 0.28), { brought: 0 });

  it('is part of the bag and no stock; what is left goes back with the last reel', async () => {
    const { status, body: bag } = await book([own(120)], { brought });
    expect(status).toBe(200);
    expect(bag.brought).toMatchObject([{ name: 'Their green one', broughtMm: 300_000, back: false }]);
    expect(bag.jobs[0]!.cuts[0]).toMatchObject({ own: true, productName: 'Their green one' });
    const { rows } = (await bo<{ rows: Piece[] }>('GET', '/rack')).body;
    expect(rows.filter(({ code }) => code.startsWith('OWN-'))).toEqual([]);
    const products = (await bo<{ code: string }[]>('GET', '/products')).body;
    expect(products.filter(({ code }) => code.startsWith('OWN-'))).toEqual([]);
    const written = await fill(bag.jobs[0]!);
    expect(written.layers[0]!.lengthMm).toBeGreaterThan(50_000);
    const now = async () => (await bo<Bag>('GET', `/bags/${String(bag.number)}`)).body;
    for (const to of ['ready', 'handed-back']) {
      const { version } = await now();
      await bo('POST', `/jobs/${String(bag.jobs[0]!.id)}/state`, { version, to });
    }
    const after = await now();
    expect(after.brought[0]!.back).toBe(true);
    expect(after.brought[0]!.leftMm).toBeLessThanOrEqual(300_000 - written.layers[0]!.lengthMm);
    expect(after.brought[0]!.leftMm).toBeGreaterThan(100_000);
  });

  it('serves no other bag, and is asked for by its place', async () => {
    const { body: bag } = await book([own(50)], { brought });
    const { pieceId } = bag.brought[0]!;
    const theirs = jobOf(mainOnly(50, 'OWN-NYLON-0280', 0.28), { pieceId });
    const stolen = await book([theirs]);
    expect(stolen.status).toBe(400);
    expect(stolen.body.detail).toMatch(/another customer/);
    expect((await book([own(50)], { brought: [] })).status).toBe(400);
  });

  it('cannot give more than was brought, nor be imitated by the shop’s own codes', async () => {
    const short = await book([own(900)], { brought });
    expect(short.status).toBe(409);
    const product = {
      code: 'OWN-X',
      name: 'X',
      material: 'nylon',
      diameter: 0.3,
      strengthKg: null,
      tint: '#aabbcc',
    };
    const made = await bo('POST', '/pieces', {
      code: 'P-X',
      product,
      kind: 'bulk',
      place: '',
      lengthMm: 5000,
    });
    expect(made.status).toBe(400);
  });

  it('called off, it goes back whole', async () => {
    const { body: bag } = await book([own(50)], { brought });
    const { body: off } = await bo<Bag>('POST', `/bags/${String(bag.number)}/cancel`, {
      version: bag.version,
      why: 'came back for it',
    });
    expect(off.brought[0]).toMatchObject({ back: true, leftMm: 300_000 });
  });
});
