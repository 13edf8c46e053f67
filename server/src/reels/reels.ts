import { OWNER_OF_REEL } from '../db/joins';
import type { Page, Reel, ReelRow } from '@yard-spool/contract';
import { ownMeasures, type Observation, type PlanInput } from '@yard-spool/core';
import { literally } from '../db/like';
import { pageOf } from '../db/page-of';
import { toCustomer } from '../customers/customers';
import { lastJobs, type LastJob } from '../bags/last-jobs';
import { saysGear } from '../bags/reel-gear';
import type { ReelTableRow } from '../db/models/customers';
import { inSql, TO_FILL } from '../db/job-states';
import type { Reading } from '../context/context';
import { ProblemError } from '../problem-error';
import { holdsCode } from '../db/holds-code';
import { drawingsOfFills } from '../record/drawings-of-fills';
import { fillsOfSpools } from '../record/fills';
import { learnedFrom } from '../record/learned';
import { peopleNames } from '../people/people';
import { reelByTag } from '../record/reel-by-tag';
import { beginsWith } from '../db/begins-with';
import { serviceSchools } from './read-due';
import { whatLies } from '../record/on-spool';

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
function readOfSpool(
  booked: LastJob | undefined,
  learned: readonly Observation[] | undefined,
): Observation[] {
  return [...ownMeasures(booked?.planInput.observations ?? []), ...(learned ?? [])];
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
  const [waiting, filled, booked, schools, history] = await Promise.all([
    waitingOf(from, spoolIds),
    fillsOfSpools(from, spoolIds),
    lastJobs(from, spoolIds),
    serviceSchools(from, [reel]),
    reelHistory(from, reel.id),
  ]);
  const learned = learnedFrom(
    filled.rows.toSorted((a, b) => b.id - a.id),
    spoolIds,
  );
  const on = whatLies(spools, filled, schools, from.clock());
  return {
    tag: reel.tag,
    version: reel.version,
    type: reel.type,
    label: reel.label,
    looks: reel.looks,
    customer: toCustomer(customer),
    fills: filled.fills,
    spools: spools.map(({ id, name }) => ({
      name,
      observations: readOfSpool(
        booked.find(({ spoolId }) => spoolId === id),
        learned.get(id),
      ),
      on: on.get(id) ?? null,
    })),
    gear: gearOf(reel, booked.at(-1)?.planInput),
    ...history,
    waiting,
  };
}

/** A reel's gear: as a fill showed it, else as it was booked last with its gear said. */
function gearOf({ gearFound }: ReelTableRow, booked: PlanInput | undefined): Reel['gear'] {
  if (gearFound !== null) return { ratio: gearFound, found: true };
  return booked && saysGear(booked) ? { ratio: booked.request.gear, found: false } : null;
}

/** The bag a reel waits in, and its run where it is on a bench. */
async function waitingOf({ query }: Reading, spoolIds: readonly number[]): Promise<Reel['waiting']> {
  if (spoolIds.length === 0) return null;
  const [waits] = await query<NonNullable<Reel['waiting']>>(
    `SELECT jobs.bag_id AS bagNumber, jobs.id AS jobId,
       (SELECT MIN(runs.id) FROM runs WHERE runs.job_id = jobs.id AND runs.state IN ('open', 'closed')) AS runId
     FROM jobs FORCE INDEX (spool_id) WHERE jobs.spool_id IN (:spoolIds) AND jobs.state IN (${inSql(TO_FILL)})
     ORDER BY jobs.id LIMIT 1`,
    { spoolIds },
  );
  return waits ?? null;
}

/** Tags it had, and what was done to its entry, in one question: a tag has no date. */
async function reelHistory(from: Reading, reelId: number): Promise<Pick<Reel, 'tags' | 'history'>> {
  const [rows, names] = await Promise.all([
    from.query<{ id: number; at: Date | null; byId: number | null; what: string }>(
      `SELECT 0 AS id, NULL AS at, NULL AS byId, tag AS what FROM reel_tags WHERE reel_id = :reelId
       UNION ALL (SELECT id, at, by_id, what FROM reel_changes FORCE INDEX (reel_id) WHERE reel_id = :reelId
         ORDER BY id DESC LIMIT 50)`,
      { reelId },
    ),
    peopleNames(from),
  ]);
  return {
    tags: rows.flatMap(({ at, what }) => (at === null ? [what] : [])).sort(),
    history: rows
      .sort((a, b) => b.id - a.id)
      .flatMap(({ at, byId, what }) =>
        at === null ? [] : [{ at: at.toISOString(), by: names.get(byId ?? 0) ?? '', what }],
      ),
  };
}
