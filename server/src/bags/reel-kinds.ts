import type { Person, ReelKind } from '@yard-spool/contract';
import { kindKey, ownMeasures, type Observation, type PlanInput, type ReelType } from '@yard-spool/core';
import type { ReelKindRow } from '../db/models/reel-kinds';
import type { Reading, ServerContext, Unit } from '../context/context';
import { unit } from '../context/unit';
import { ProblemError } from '../problem-error';
import { saysGear } from './reel-gear';
import { learnedByKind } from '../record/learned';

const toKind = ({ id, type, label, observations, gear, met, version }: ReelKindRow): ReelKind => ({
  id,
  type,
  label,
  observations,
  gear,
  timesSeen: met,
  version,
  learned: [],
});

/** The shop's own list of reel kinds, most seen first. */
export async function listReelKinds(from: Reading): Promise<ReelKind[]> {
  const learned = await learnedByKind(from);
  const rows = await from.tables.reelKinds.findAll({
    order: [
      ['met', 'DESC'],
      ['label', 'ASC'],
    ],
  });
  return rows.map((row) => ({ ...toKind(row), learned: learned.get(kindKey(row)) ?? [] }));
}

/**
 * Remembers what a booking says of its kind of reel. What was known and is not said again stays; depths read belong to
 * one spool and not to its kind.
 */
export async function rememberKind(
  { tables }: Unit,
  { type, label, planInput }: { type: ReelType; label: string; planInput: PlanInput },
): Promise<void> {
  const said = ownMeasures(planInput.observations);
  const { gear } = planInput.request;
  const { reelKinds } = tables;
  const row = await reelKinds.lockOrCreate(
    { type, label },
    { type, label, observations: [], gear, met: 0, version: 0 },
  );
  await reelKinds.change(row, {
    observations: together(row.observations, said),
    ...(saysGear(planInput) ? { gear } : {}),
    met: row.met + 1,
    version: row.version + 1,
  });
}

/** Measures kept of one kind; the oldest go first. */
const MOST_KNOWN = 20;

/** New measures in place of old ones of the same sort; ratings are told apart by their diameter. */
export function together(old: readonly Observation[], fresh: readonly Observation[]): Observation[] {
  const sortOf = (one: Observation): string =>
    one.kind === 'rating' ? `rating ${one.diameter.toFixed(3)} ${one.material ?? 'nylon'}` : one.kind;
  const said = new Set(fresh.map(sortOf));
  return [...old.filter((one) => !said.has(sortOf(one))), ...fresh].slice(-MOST_KNOWN);
}

const GONE = 'This kind of reel is not in the book any more.';

type Change = Pick<ReelKind, 'version' | 'label' | 'type' | 'observations' | 'gear'>;

/** Corrects a kind, on the version that was looked at. */
export async function changeReelKind(
  context: ServerContext,
  person: Person,
  id: number,
  asked: Change,
): Promise<ReelKind> {
  return unit(context, person, async (u) => {
    const { version, ...values } = asked;
    const row = await u.lockVersioned(u.tables.reelKinds, id, version, {
      gone: GONE,
      changed: 'Somebody changed this kind of reel meanwhile. Look again.',
    });
    const was = { type: row.type, label: row.label };
    const changed = await u.tables.reelKinds.change(row, { ...values, version: version + 1 });
    await renameReels(u, was, changed);
    return toKind(changed);
  });
}

/** Two entries that are one kind: what this one knows goes into the other, and this one goes. */
export async function mergeReelKinds(
  context: ServerContext,
  person: Person,
  id: number,
  into: number,
): Promise<ReelKind> {
  if (id === into) throw new ProblemError('bad-request', 'A kind of reel cannot be merged into itself.');
  return unit(context, person, async (u) => {
    // Locked in one order, so that two merges at once cannot wait for each other.
    const low = Math.min(id, into);
    const high = Math.max(id, into);
    const rows = [await lockKind(u, low), await lockKind(u, high)];
    const [from, kept] = id === low ? [rows[0], rows[1]] : [rows[1], rows[0]];
    if (!from || !kept) throw new Error('Both kinds are there.');
    const { reelKinds } = u.tables;
    await reelKinds.remove(from);
    await renameReels(u, from, kept);
    return toKind(
      await reelKinds.change(kept, {
        observations: together(from.observations, kept.observations),
        met: from.met + kept.met,
        version: kept.version + 1,
      }),
    );
  });
}

/** Reels of a kind are called as the kind is: what was wound on them and learned of them goes along. */
async function renameReels(
  u: Unit,
  was: { readonly type: ReelType; readonly label: string },
  is: { readonly type: ReelType; readonly label: string },
): Promise<void> {
  if (was.type === is.type && was.label === is.label) return;
  const reels = await u.tables.reels.lockAll({ where: { type: was.type, label: was.label }, order: ['id'] });
  for (const reel of reels) await u.tables.reels.change(reel, { type: is.type, label: is.label });
  await u.happened.renamed(
    'reel',
    reels.map(({ id }) => id),
  );
  if (reels.length > 0) await u.happened.fillsChanged();
}

async function lockKind({ tables }: Unit, id: number): Promise<ReelKindRow> {
  const row = await tables.reelKinds.lock(id);
  if (!row) throw new ProblemError('not-found', GONE);
  return row;
}
