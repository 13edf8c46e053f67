import { HERE } from '../db/job-states';
import type { Reel, ReelChange, Person } from '@yard-spool/contract';
import { Op } from 'sequelize';
import type { ReelTableRow } from '../db/models/customers';
import type { ServerContext, Unit } from '../context/context';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { noteWhatIsOn } from '../record/on-spool';
import { reelByTag } from '../record/reel-by-tag';
import { readReel } from './reels';

/** Writes down what was done to a reel's entry. Never edited, never removed. */
export async function noteReelChange(
  { tables, clock, actor }: Unit,
  reelId: number,
  what: string,
): Promise<void> {
  await tables.reelChanges.create({ reelId, at: clock(), byId: actor.id, what: what.slice(0, 300) });
}

const STALE = {
  gone: 'This reel is not on the books any more.',
  changed: 'Somebody changed this reel meanwhile. Look again.',
} as const;

/** Another owner, tag or name. The tag it had leads to it still. */
export async function changeReel(
  context: ServerContext,
  person: Person,
  tag: string,
  { version, ...is }: ReelChange,
): Promise<Reel> {
  await unit(context, person, async (u) => {
    const reel = await u.lockVersioned(u.tables.reels, { tag }, version, STALE);
    const owners = await u.tables.customers.findAll({
      where: { id: { [Op.in]: [reel.customerId, is.customerId] } },
    });
    const nameOf = (id: number): string => owners.find((one) => one.id === id)?.name ?? '';
    if (!owners.some(({ id }) => id === is.customerId))
      throw new ProblemError('not-found', 'This customer is not on the books any more. Choose again.');
    const said = [
      ...(is.tag === reel.tag ? [] : [`tag ${reel.tag} → ${is.tag}`]),
      ...(is.label === reel.label ? [] : [`${reel.label} → ${is.label}`]),
      ...(is.looks === undefined || is.looks === reel.looks
        ? []
        : [`to be known by: ${is.looks || 'nothing'}`]),
      ...(is.customerId === reel.customerId
        ? []
        : [`from ${nameOf(reel.customerId)} to ${nameOf(is.customerId)}`]),
    ];
    if (said.length === 0) return;
    if (is.customerId !== reel.customerId) await mustNotWait(u, reel.id);
    if (is.tag !== reel.tag) await takeTag(u, reel, is.tag);
    await u.tables.reels.change(reel, { ...is, version: version + 1 });
    await noteReelChange(u, reel.id, said.join('; '));
    await u.happened.renamed('reel', [reel.id]);
  });
  return readReel(context, is.tag);
}

/** A reel that is in a bag belongs to whoever brought the bag. */
async function mustNotWait(u: Unit, reelId: number): Promise<void> {
  const spools = await u.tables.spools.findAll({ where: { reelId } });
  const job = await u.tables.jobs.findOne({
    where: { spoolId: spools.map(({ id }) => id), state: [...HERE] },
  });
  if (job)
    throw new ProblemError(
      'not-allowed',
      `This reel is in bag ${String(job.bagId)}. Hand it back or cancel it before it changes hands.`,
    );
}

async function takeTag(u: Unit, reel: ReelTableRow, tag: string): Promise<void> {
  const taken = await reelByTag(u, tag);
  if (taken && taken.id !== reel.id)
    throw new ProblemError('already-exists', `Tag ${tag} is on another reel, or was. Choose another.`, [
      { path: 'tag', message: 'This tag is on another reel.' },
    ]);
  await u.tables.reelTags.removeAll({ tag });
  await u.tables.reelTags.create({ tag: reel.tag, reelId: reel.id });
}

/**
 * Two entries that are one reel: the spools and fills of this one go to the other, and its tags lead there. Spools of one
 * name become one, with the fills of both. What the other is called, and its type, hold.
 */
export async function mergeReels(
  context: ServerContext,
  person: Person,
  tag: string,
  { into, why }: { readonly into: string; readonly why: string },
): Promise<Reel> {
  if (tag === into) throw new ProblemError('bad-request', 'A reel cannot be merged into itself.');
  await unit(context, person, async (u) => {
    const { tables } = u;
    // In the order of their tags, so that two who merge crosswise wait for each other only once.
    const rows = new Map<string, ReelTableRow | null>();
    for (const one of [tag, into].sort()) rows.set(one, await tables.reels.lockOne({ where: { tag: one } }));
    const gone = rows.get(tag);
    const kept = rows.get(into);
    if (!gone) throw new ProblemError('not-found', `No reel has the tag ${tag}.`);
    if (!kept) throw new ProblemError('not-found', `No reel has the tag ${into}. Look at the tag again.`);
    if (gone.customerId !== kept.customerId)
      throw new ProblemError('not-allowed', 'They belong to different customers. Change the owner first.');
    await moveSpools(u, gone.id, kept.id);
    await tables.reelTags.changeAll({ reelId: kept.id }, { reelId: gone.id });
    await tables.reelChanges.changeAll({ reelId: kept.id }, { reelId: gone.id });
    await moveExceptions(u, gone.id, kept.id);
    await tables.reels.remove(gone);
    await tables.reelTags.create({ tag, reelId: kept.id });
    await tables.reels.change(kept, { version: kept.version + 1 });
    await noteReelChange(u, kept.id, `${tag} turned out to be this reel: ${why}`);
    await u.happened.renamed('reel', [gone.id, kept.id]);
  });
  return readReel(context, into);
}

/** What was said of this reel holds for the other, unless something was said of that already. */
async function moveExceptions({ tables: { ruleExceptions } }: Unit, from: number, to: number): Promise<void> {
  const there = await ruleExceptions.findAll({ where: { reelId: to } });
  for (const row of await ruleExceptions.lockAll({ where: { reelId: from } })) {
    if (there.some(({ question }) => question === row.question)) await ruleExceptions.remove(row);
    else await ruleExceptions.change(row, { reelId: to });
  }
}

async function moveSpools(u: Unit, from: number, to: number): Promise<void> {
  const { spools, fills, jobs } = u.tables;
  const there = await spools.lockAll({ where: { reelId: to }, order: ['id'] });
  for (const spool of await spools.lockAll({ where: { reelId: from }, order: ['id'] })) {
    const same = there.find(({ name }) => name === spool.name);
    if (!same) {
      await spools.change(spool, { reelId: to });
      continue;
    }
    await spools.change(spool, { fillId: null });
    await fills.changeAll({ spoolId: same.id }, { spoolId: spool.id });
    await jobs.changeAll({ spoolId: same.id }, { spoolId: spool.id });
    await spools.remove(spool);
    await noteWhatIsOn(u, same.id);
  }
}
