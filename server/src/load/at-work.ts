import type { Bag, Piece, Run } from '@yard-spool/contract';
import { booking, FIRST_BENCH, numbered, receiveTwo, wholeFill } from '../testing/bookings';
import type { Ask } from '../testing/rack';
import type { TestShop } from '../testing/test-shop';

/** How long each time took, ms. */
export type Took = readonly number[];

/** A shop’s work, as often as it is told. */
export interface Work {
  /** Books bags of three reels. */
  readonly book: (times: number) => Promise<Took>;
  /** Closes reels that are wound; taking them to the bench and winding them is not counted. */
  readonly close: (times: number) => Promise<Took>;
}

/** Backing and main. */
interface Two {
  readonly backing: Piece;
  readonly main: Piece;
}

/** Metres on each of the two pieces that reels are cut from, and how many reels they surely do. */
const METRES = 20_000;
const REELS = 60;

/** @param waiting reels that wait besides, each of another kind, so that they are nobody’s sisters */
export async function atWork(shop: TestShop, waiting: number): Promise<Work> {
  const ask = await shop.as('Bo');
  // The shop may stand from before, with what was put on its rack then.
  const begun = Date.now().toString(36);
  let racks = 0;
  let left = 0;
  let there: Promise<Two>;
  /** Two pieces with enough for so many reels more. */
  const rack = (reels: number): Promise<Two> => {
    left -= reels;
    if (left < 0) {
      left = REELS - reels;
      there = receiveTwo(ask, METRES, `W${begun}-${String((racks += 1))}`);
    }
    return there;
  };
  for (let i = 0; i < waiting; i += 1) await bookOne(ask, await rack(1), `Waits ${String(i)}`);
  let closed = 0;
  return {
    book: async (times) => {
      const took: number[] = [];
      for (let i = 0; i < times; i += 1) {
        const { jobs, ...more } = booking(await rack(3));
        const [job] = jobs;
        took.push(await timed(() => ask('POST', '/bags', { ...more, jobs: [job, job, job] })));
      }
      return took;
    },
    close: async (times) => {
      const took: number[] = [];
      for (let i = 0; i < times; i += 1) {
        // Two of a kind: the other one is planned again from what this one taught.
        const [first] = await bookOne(ask, await rack(2), `Closes ${String((closed += 1))}`, 2);
        const { body: run } = await ask<Run>('POST', '/runs', { jobId: first?.id, benchId: FIRST_BENCH });
        await ask('POST', `/runs/${String(run.id)}/events`, { events: numbered(run, 1, wholeFill()) });
        took.push(await timed(() => ask('POST', `/runs/${String(run.id)}/close`, {})));
      }
      return took;
    },
  };
}

async function bookOne(ask: Ask, pieces: Two, label: string, count = 1): Promise<Bag['jobs']> {
  const asked = booking(pieces);
  const jobs = Array.from({ length: count }, () => ({ ...asked.jobs[0], label }));
  const { body } = await ask<Bag>('POST', '/bags', { ...asked, jobs });
  return body.jobs;
}

async function timed(
  work: () => Promise<{ readonly status: number; readonly body: unknown }>,
): Promise<number> {
  const begin = performance.now();
  const answer = await work();
  if (answer.status >= 400)
    throw new Error(`It answered ${String(answer.status)}: ${JSON.stringify(answer.body).slice(0, 500)}`);
  return performance.now() - begin;
}

/** One books and another one closes for so many seconds, each as fast as it goes. */
export async function atOnce(
  work: Work,
  seconds: number,
): Promise<{ readonly booked: Took; readonly closed: Took }> {
  const until = performance.now() + 1000 * seconds;
  const over = async (once: (times: number) => Promise<Took>): Promise<Took> => {
    const took: number[] = [];
    while (performance.now() < until) took.push(...(await once(1)));
    return took;
  };
  const [booked, closed] = await Promise.all([over(work.book), over(work.close)]);
  return { booked, closed };
}
