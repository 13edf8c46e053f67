import { OWNER_OF_REEL } from '../db/joins';
import type { Page, Reel, ReelRow } from '@yard-spool/contract';
import type { Observation } from '@yard-spool/core';
import { literally } from '../db/like';
import { pageOf } from '../db/page-of';
import { toCustomer } from '../customers/customers';
import { saysGear } from '../bags/reel-gear';
import type { ReelTableRow } from '../db/models/customers';
import { TO_FILL } from '../db/job-states';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { holdsCode } from '../db/holds-code';
import { drawingsOfFills } from '../record/drawings-of-fills';
import { fillsOfSpools } from '../record/fills';
import { learnedOfSpool } from '../record/learned';
import { peopleNames } from '../people/people';
import { reelByTag } from '../record/reel-by-tag';
import { beginsWith } from '../db/begins-with';
import { serviceSchools } from './read-due';
import { whatIsOn } from '../record/on-spool';
import { newestOf } from '../context/newest-of';

interface FoundReel extends Omit<ReelRow, 'filledAt' | 'drawing'> {
  readonly filledAt: Date | null;
  readonly fillId: number | null;
}

const PAGE = 50;

/** Reels whose tag, name or customer starts with (or has a word that starts with) what was typed, by tag. */
export async function findReels(
  from: Reading,
  { q, after }: { readonly q: string; readonly after: string },
): Promise<Page<ReelRow>> {
  const start = `${literally(q)}%`;
  const { sql, words } = beginsWith('reel', 'reels.id', q);
  const isMeant = `${sql} AND (reels.tag LIKE :start OR ${holdsCode('reels.tag', q.trim())}
    OR reels.label LIKE :start OR customers.name LIKE :start OR customers.name LIKE :word)`;
  const found = await from.query<FoundReel>(
    // All of them are read in the order of their tags, as far as a page goes; what lies on them for that page alone.
    `SELECT page.tag, page.type, page.label, page.customer, fills.closed_at AS filledAt, fills.id AS fillId
     FROM (SELECT ${q === '' ? 'STRAIGHT_JOIN' : ''} reels.id, reels.tag, reels.type, reels.label,
             customers.name AS customer
           FROM reels ${q === '' ? 'FORCE INDEX (tag)' : ''} ${OWNER_OF_REEL}
           WHERE ${q === '' ? 'TRUE' : isMeant} AND reels.tag > :after
           ORDER BY reels.tag LIMIT ${String(PAGE + 1)}) AS page
       LEFT JOIN fills ON fills.id = (SELECT MAX(spools.fill_id) FROM spools WHERE spools.reel_id = page.id)
     ORDER BY page.tag`,
    { start, word: `% ${start}`, after, ...words },
  );
  const { rows, next } = pageOf(found, PAGE, ({ tag }) => tag);
  const drawings = await drawingsOfFills(
    from,
    rows.flatMap(({ fillId }) => fillId ?? []),
  );
  return {
    rows: rows.map(({ fillId, filledAt, ...row }) => ({
      ...row,
      filledAt: filledAt?.toISOString() ?? null,
      drawing: drawings.get(fillId ?? 0) ?? null,
    })),
    next,
  };
}

/** All that was read of a spool: as it was booked last, and what its fills showed since. */
async function readOfSpool(from: Reading, spoolId: number): Promise<Observation[]> {
  const job = await from.tables.jobs.findOne({ where: { spoolId }, ...newestOf('spool_id') });
  const typed = (job?.planInput.observations ?? []).filter(
    ({ kind }) => kind !== 'depth' && kind !== 'stretch',
  );
  return [...typed, ...(await learnedOfSpool(from, spoolId))];
}

/** A reel by its tag, or one it had: what is on it, what is due, and what was before. */
export async function readReel(from: Reading, tag: string): Promise<Reel> {
  const { tables } = from;
  const reel = await reelByTag(from, tag);
  const customer = reel && (await tables.customers.findByPk(reel.customerId));
  if (!customer)
    throw new ProblemError(
      'not-found',
      `No reel has the tag ${tag}. Look at the tag again, or search by customer.`,
    );
  const spools = await tables.spools.findAll({ where: { reelId: reel.id }, order: ['id'] });
  const spoolIds = spools.map(({ id }) => id);
  const [waiting, fills, on, history] = await Promise.all([
    waitingOf(from, spoolIds),
    fillsOfSpools(from, spoolIds),
    serviceSchools(from, [reel]).then((schools) => whatIsOn(from, spools, schools)),
    reelHistory(from, reel.id),
  ]);
  return {
    tag: reel.tag,
    version: reel.version,
    type: reel.type,
    label: reel.label,
    looks: reel.looks,
    customer: toCustomer(customer),
    fills,
    spools: await Promise.all(
      spools.map(async ({ id, name }) => ({
        name,
        observations: await readOfSpool(from, id),
        on: on.get(id) ?? null,
      })),
    ),
    gear: await gearOf(from, reel, spoolIds),
    ...history,
    waiting,
  };
}

/** A reel's gear: as a fill showed it, else as it was booked last with its gear said. */
async function gearOf(
  { tables }: Reading,
  { gearFound }: ReelTableRow,
  spoolIds: readonly number[],
): Promise<Reel['gear']> {
  if (gearFound !== null) return { ratio: gearFound, found: true };
  const job = await tables.jobs.findOne({ where: { spoolId: [...spoolIds] }, ...newestOf('spool_id') });
  return job && saysGear(job.planInput) ? { ratio: job.planInput.request.gear, found: false } : null;
}

/** The bag a reel waits in, and its run where it is on a bench. */
async function waitingOf({ tables }: Reading, spoolIds: readonly number[]): Promise<Reel['waiting']> {
  const job = await tables.jobs.findOne({
    where: { spoolId: [...spoolIds], state: [...TO_FILL] },
    order: ['id'],
  });
  const run = job && (await tables.runs.findOne({ where: { jobId: job.id, state: ['open', 'closed'] } }));
  return job && { bagNumber: job.bagId, jobId: job.id, runId: run?.id ?? null };
}

async function reelHistory(from: Reading, reelId: number): Promise<Pick<Reel, 'tags' | 'history'>> {
  const { tables } = from;
  const [tags, changes, names] = await Promise.all([
    tables.reelTags.findAll({ where: { reelId }, order: ['tag'] }),
    tables.reelChanges.findAll({ where: { reelId }, ...newestOf('reel_id'), limit: 50 }),
    peopleNames(from),
  ]);
  return {
    tags: tags.map(({ tag }) => tag),
    history: changes.map(({ at, byId, what }) => ({ at: at.toISOString(), by: names.get(byId) ?? '', what })),
  };
}
