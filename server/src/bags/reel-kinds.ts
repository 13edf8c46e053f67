import type { ReelKind, ReelType } from '@yard-spool/contract';
import { kindKey, type Observation, type PlanInput } from '@yard-spool/core';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../db/transaction';
import type { ReelKindRow } from '../db/models/reel-kinds';
import type { House } from '../house';
import { ProblemError } from '../problem-error';
import { learnedByKind } from '../reels/learned';

const toKind = ({ id, type, label, observations, gear, met, version }: ReelKindRow): ReelKind => ({
  ...{ id, type, label, observations, gear, met, version },
  learned: [],
});

/** The shop's own list of reel kinds, most met first. */
export async function listReelKinds(house: House): Promise<ReelKind[]> {
  const learned = await learnedByKind(house);
  const rows = await house.tables.reelKinds.findAll({
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
export async function meetKind(
  { tables }: House,
  { type, label, planInput }: { type: ReelType; label: string; planInput: PlanInput },
  transaction: Transaction,
): Promise<void> {
  const said = planInput.observations.filter(({ kind }) => kind !== 'depth' && kind !== 'stretch');
  const { gear } = planInput.request;
  const [row, made] = await tables.reelKinds.findOrCreate({
    where: { type, label },
    defaults: { type, label, observations: said, gear, met: 1 },
    transaction,
  });
  if (made) return;
  await row.update(
    { observations: together(row.observations, said), gear, met: row.met + 1, version: row.version + 1 },
    { transaction },
  );
}

/** New measures in place of old ones of the same sort; ratings are told apart by their diameter. */
export function together(old: readonly Observation[], fresh: readonly Observation[]): Observation[] {
  const sortOf = (one: Observation): string =>
    one.kind === 'rating' ? `rating ${one.diameter.toFixed(3)} ${one.material ?? 'nylon'}` : one.kind;
  const said = new Set(fresh.map(sortOf));
  return [...old.filter((one) => !said.has(sortOf(one))), ...fresh];
}

type Change = Pick<ReelKind, 'version' | 'label' | 'type' | 'observations' | 'gear'>;

/** Corrects a kind, on the version that was looked at. */
export async function changeReelKind(house: House, id: number, asked: Change): Promise<ReelKind> {
  return inTransaction(house.sequelize, async (transaction) => {
    const row = await lockKind(house, id, transaction);
    if (row.version !== asked.version)
      throw new ProblemError('stale-version', 'Somebody changed this kind of reel meanwhile. Look again.');
    const { version, ...values } = asked;
    return toKind(await row.update({ ...values, version: version + 1 }, { transaction }));
  });
}

/** Two entries that are one kind: what this one knows goes into the other, and this one goes. */
export async function mergeReelKinds(house: House, id: number, into: number): Promise<ReelKind> {
  if (id === into) throw new ProblemError('bad-request', 'A kind of reel cannot be merged into itself.');
  return inTransaction(house.sequelize, async (transaction) => {
    // Locked in one order, so that two merges at once cannot wait for each other.
    const [low, high] = [Math.min(id, into), Math.max(id, into)];
    const rows = [await lockKind(house, low, transaction), await lockKind(house, high, transaction)];
    const [from, kept] = id === low ? [rows[0], rows[1]] : [rows[1], rows[0]];
    if (!from || !kept) throw new Error('Both kinds are there.');
    await from.destroy({ transaction });
    return toKind(
      await kept.update(
        {
          observations: together(from.observations, kept.observations),
          met: from.met + kept.met,
          version: kept.version + 1,
        },
        { transaction },
      ),
    );
  });
}

async function lockKind({ tables }: House, id: number, transaction: Transaction): Promise<ReelKindRow> {
  const row = await tables.reelKinds.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE });
  if (!row) throw new ProblemError('not-found', 'This kind of reel is not in the book any more.');
  return row;
}
