import type { Bag, SavedHouseRules, Piece, ReelKind } from '@yard-spool/contract';
import { describe, expect, it } from 'vitest';
import { booking, FIRST_BENCH, numbered, PLAN_INPUT, receiveTwo, wholeFill } from '../testing/bookings';
import { lockWaits } from '../testing/lock-waits';
import type { TestShop } from '../testing/test-shop';
import { inShop } from '../testing/in-shop';
import { said } from '../testing/said';

let shop: TestShop;
let ada: Awaited<ReturnType<TestShop['as']>>;
inShop('Ada', (opened) => ({ shop, ask: ada } = opened));

const inParallel = <T>(many: number, ask: (i: number) => Promise<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: many }, (_, i) => ask(i)));

describe('at the same moment', () => {
  it('bookings, plans made again, starts and new house rules never promise a metre twice', async () => {
    // 900 m of each: enough for seven mains and for the backing of some reels, not for what is asked.
    const pieces = await receiveTwo(ada, 900, 'BUSY');
    const planInput = { ...PLAN_INPUT, request: { ...PLAN_INPUT.request, gap: 2.38125 } };
    const wants = { leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false };
    const asked = booking(pieces).jobs[0]!;
    const job = { ...asked, planInput, wants: { ...wants, gap: 'house', bevelMm: null } };
    const book = () => ada<Bag>('POST', '/bags', booking(pieces, { jobs: [job] }));
    const first = await inParallel(4, book);
    const bags = first.map(({ body }) => body);
    expect(first.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    for (let round = 0; round < 4; round += 1) {
      const rules = (await ada<SavedHouseRules>('GET', '/house-rules')).body;
      const level = round % 2 === 0 ? 'flush' : 'by-line';
      const answers = await Promise.all([
        ada('PUT', '/house-rules', { ...rules, rules: { ...rules.rules, level } }),
        ada('POST', '/runs', { jobId: bags[round]!.jobs[0]!.id, benchId: FIRST_BENCH }),
        ...[1, 2, 3].map(book),
        ...bags.map(({ version, jobs }) =>
          ada('PUT', `/jobs/${jobs[0]!.id}`, { ...job, version, label: 'Again' }),
        ),
      ]);
      expect(answers.map(({ status }) => status).filter((status) => status >= 500)).toEqual([]);
      for (const { code, lengthMm, promisedMm } of (await ada<Piece[]>('GET', '/pieces')).body)
        expect(`${code} ${Math.max(0, promisedMm - lengthMm)} mm too many`).toBe(`${code} 0 mm too many`);
    }
  });

  it('a rule that changes waits for whoever is promising line, and plans with what is left then', async () => {
    const pieces = await receiveTwo(ada, 300, 'WAIT');
    const { body: usual } = await ada<SavedHouseRules>('GET', '/house-rules');
    await ada('PUT', '/house-rules', { ...usual, rules: { ...usual.rules, level: 'by-line' } });
    const planInput = { ...PLAN_INPUT, request: { ...PLAN_INPUT.request, gap: 2.38125 } };
    const asked = booking(pieces).jobs[0]!;
    const wants = { leastMm: null, leader: '', dragKg: null, onItNow: '', mainFirst: false };
    const job = { ...asked, planInput, wants: { ...wants, gap: 'house', bevelMm: null } };
    const { body: bag } = await ada<Bag>('POST', '/bags', booking(pieces, { jobs: [job] }));
    const rules = (await ada<SavedHouseRules>('GET', '/house-rules')).body;
    const pieceId = pieces.backing.id;
    let changed: Promise<unknown> = Promise.resolve();
    await shop.force(async ({ tables, query }) => {
      const piece = await tables.pieces.lock(pieceId);
      const [cut] = await tables.cuts.findAll({ where: { pieceId } });
      // Somebody promises nearly all that is left of the backing; a flush spool would take more of it.
      const lengthMm = piece!.lengthMm - cut!.lengthMm - 2000;
      await tables.cuts.create({
        jobId: bag.jobs[0]!.id,
        layer: 'extra',
        pieceId,
        productId: pieces.backing.product.id,
        lengthMm,
        tailMm: 0,
        takes: null,
      });
      let done = false;
      changed = ada('PUT', '/house-rules', { ...rules, rules: { ...rules.rules, level: 'flush' } }).then(
        () => {
          done = true;
        },
      );
      await lockWaits(query, 1, () => done);
    });
    await changed;
    const after = (await ada<Piece[]>('GET', '/pieces')).body.find(({ id }) => id === pieceId)!;
    expect(after.promisedMm).toBeLessThanOrEqual(after.lengthMm);
    const [latest] = (await ada<Bag>('GET', `/bags/${bag.number}`)).body.history;
    expect(said(latest!.what)).toContain('stays as planned');
  });

  it('eight bookings of a kind of reel nobody saw before make one entry of it, seen eight times', async () => {
    const pieces = await receiveTwo(ada, 5000, 'KIND');
    const jobs = [{ ...booking(pieces).jobs[0]!, label: 'Never Met 2500' }];
    const booked = await inParallel(8, () => ada<Bag>('POST', '/bags', booking(pieces, { jobs })));
    expect(booked.map(({ status }) => status)).toEqual(Array.from({ length: 8 }, () => 200));
    const kinds = (await ada<ReelKind[]>('GET', '/reel-kinds')).body.filter(
      ({ label }) => label === 'Never Met 2500',
    );
    expect(kinds.map(({ timesSeen }) => timesSeen)).toEqual([8]);
  });

  it(
    'more reels are closed than the database has connections for, and every one is',
    { timeout: 60_000 },
    async () => {
      const pieces = await receiveTwo(ada, 20_000, 'MANY');
      const runs = await inParallel(14, async () => {
        const bag = (await ada<Bag>('POST', '/bags', booking(pieces))).body;
        const { body: run } = await ada<{ id: number }>('POST', '/runs', {
          jobId: bag.jobs[0]!.id,
          benchId: FIRST_BENCH,
        });
        await ada('POST', `/runs/${run.id}/events`, { events: numbered(run as never, 1, wholeFill()) });
        return run.id;
      });
      const closed = await Promise.all(runs.map((id) => ada('POST', `/runs/${id}/close`, {})));
      expect(closed.map(({ status }) => status)).toEqual(runs.map(() => 200));
    },
  );
});
