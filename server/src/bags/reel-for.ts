import type { ReelType } from '@yard-spool/contract';
import type { Transaction } from 'sequelize';
import type { House } from '../house';
import { ProblemError } from '../problem-error';

interface AskedReel {
  readonly tag?: string;
  readonly type: ReelType;
  readonly label: string;
  /** Which of its spools; a new one is made. */
  readonly spool: string;
  readonly sameReelAs: number | null;
}

/**
 * The spool to fill: of the reel with this tag, of a reel that stands before it in the bag, or of a new reel.
 *
 * @param before spools of the bag's reels so far, in their order
 */
export async function spoolFor(
  house: House,
  customerId: number,
  asked: AskedReel,
  before: readonly number[],
  transaction: Transaction,
): Promise<number> {
  const { reels, spools } = house.tables;
  if (asked.sameReelAs !== null) return spareSpool(house, asked, before, transaction);
  const known =
    asked.tag === undefined ? null : await reels.findOne({ where: { tag: asked.tag }, transaction });
  if (known && known.customerId !== customerId) {
    throw new ProblemError(
      'already-exists',
      `Tag ${known.tag} is on another customer’s reel. Check the tag, or leave it empty for a new one.`,
      [{ path: 'tag', message: 'This tag is on another customer’s reel.' }],
    );
  }
  const reel = known ?? (await newReel(house, customerId, asked, transaction));
  const named = { reelId: reel.id, name: asked.spool };
  const spool = await spools.findOne({ where: named, transaction });
  return (spool ?? (await spools.create(named, { transaction }))).id;
}

/** Another spool of a reel that is in the same bag. */
async function spareSpool(
  { tables }: House,
  { spool, sameReelAs }: AskedReel,
  before: readonly number[],
  transaction: Transaction,
): Promise<number> {
  const first = await tables.spools.findByPk(before[sameReelAs ?? -1] ?? 0, { transaction });
  if (!first)
    throw new ProblemError('bad-request', 'The reel this spool belongs to must come before it in the bag.');
  if (first.name === spool)
    throw new ProblemError(
      'bad-request',
      'Call the second spool something else than the first, like “spare”.',
    );
  const named = { reelId: first.reelId, name: spool };
  const there = await tables.spools.findOne({ where: named, transaction });
  return (there ?? (await tables.spools.create(named, { transaction }))).id;
}

async function newReel(
  house: House,
  customerId: number,
  { tag, type, label }: AskedReel,
  transaction: Transaction,
) {
  const { reels } = house.tables;
  const row = await reels.create(
    { tag: tag ?? `NEW-${crypto.randomUUID().slice(0, 8)}`, customerId, type, label },
    { transaction },
  );
  return tag === undefined
    ? row.update({ tag: `R-${String(row.id).padStart(4, '0')}` }, { transaction })
    : row;
}
