import { TO_FILL, inSql } from '../db/job-states';
import type { Bag, Job } from '@yard-spool/contract';
import { readBag } from '../bags/bags';
import type { Reading } from '../context/context';
import type { CutsFacts, GaugeFacts } from './facts';

/** Bags on one list at most. */
const MOST = 40;

/**
 * What waits to be cut for a bag, or for every bag that waits, the one promised soonest first.
 *
 * @param number of the bag; null for all
 */
export async function cutsOfBags(from: Reading, number: number | null): Promise<CutsFacts> {
  const numbers = number === null ? await waitingBags(from) : [number];
  const bags = await Promise.all(numbers.map((one) => readBag(from, one)));
  return {
    title: number === null ? 'all that waits' : `bag ${String(number)}`,
    reels: [...(await reelsOf(from, bags)).values()],
  };
}

/** What waits to be cut for some reels, in their order. */
export async function cutsOfJobs(
  from: Reading,
  jobs: readonly { readonly jobId: number; readonly bag: number }[],
): Promise<CutsFacts['reels']> {
  const numbers = [...new Set(jobs.map(({ bag }) => bag))];
  const reels = await reelsOf(from, await Promise.all(numbers.map((one) => readBag(from, one))));
  return jobs.flatMap(({ jobId }) => reels.get(jobId) ?? []);
}

/** The reels of bags that wait to be filled, by their job. */
async function reelsOf(
  from: Reading,
  bags: readonly Bag[],
): Promise<ReadonlyMap<number, CutsFacts['reels'][number]>> {
  const places = await placesOf(from, bags);
  const reels = bags.flatMap((bag) =>
    bag.jobs
      .filter(({ state }) => TO_FILL.includes(state))
      .map((job) => {
        const reel = {
          bag: bag.number,
          customer: bag.customer.name,
          promisedAt: bag.promisedAt,
          tag: job.tag,
          reel: job.label,
          spool: job.spool,
          gap: job.plan.gap.value,
          layers: layersOf(job, places),
        };
        return [job.id, reel] as const;
      }),
  );
  return new Map(reels);
}

async function waitingBags({ query }: Reading): Promise<number[]> {
  const rows = await query<{ readonly id: number }>(
    `SELECT DISTINCT bags.id, bags.promised_at FROM bags JOIN jobs ON jobs.bag_id = bags.id
     WHERE jobs.state IN (${inSql(TO_FILL)}) ORDER BY bags.promised_at, bags.id LIMIT ${String(MOST)}`,
  );
  return rows.map(({ id }) => id);
}

async function placesOf({ tables }: Reading, bags: readonly Bag[]): Promise<ReadonlyMap<number, string>> {
  const ids = bags.flatMap(({ jobs }) =>
    jobs.flatMap(({ cuts }) => cuts.flatMap(({ pieceId }) => pieceId ?? [])),
  );
  if (ids.length === 0) return new Map();
  const rows = await tables.pieces.findAll({ where: { id: [...new Set(ids)] }, attributes: ['id', 'place'] });
  return new Map(rows.map(({ id, place }) => [id, place]));
}

function layersOf(
  { plan, cuts }: Job,
  places: ReadonlyMap<number, string>,
): CutsFacts['reels'][number]['layers'] {
  const lines = plan.layers.filter(({ request }) => request.kind !== 'reducer');
  return lines.map(({ id, request, length, wraps, handleTurns, depthAfter }, i) => {
    const [cut, joined] = cuts.filter(({ layer }) => layer === id);
    const other = request.kind === 'tape' ? `${wraps.value.toFixed(0)} wraps of tape` : 'kept';
    return {
      role: request.kind === 'line' ? request.role.replace('-', ' ') : other,
      metres: length.value,
      handleTurns: handleTurns.value,
      joinDepth: i < lines.length - 1 && request.kind !== 'tape' ? depthAfter.value : null,
      cut: cut ? { ...cut, place: places.get(cut.pieceId ?? 0) ?? '' } : null,
      joined: joined ? { ...joined, place: places.get(joined.pieceId ?? 0) ?? '' } : null,
    };
  });
}

/** The depths a bag's reels wait for: each join, and the gap to stop at. */
export const gaugeOfBag = ({ number, jobs }: Bag): GaugeFacts => ({
  title: `bag ${String(number)}`,
  strips: jobs
    .filter(({ state }) => TO_FILL.includes(state))
    .map(({ tag, label, plan }) => {
      const lines = plan.layers.filter(
        ({ request }) => request.kind === 'line' || request.kind === 'retained',
      );
      const joins = lines
        .slice(0, -1)
        .map(({ depthAfter }) => ({ kind: 'join' as const, depth: depthAfter.value }));
      return { tag, name: label, marks: [...joins, { kind: 'stop' as const, depth: plan.gap.value }] };
    }),
});
