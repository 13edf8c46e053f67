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
}

/** The spool to fill: of the reel with this tag, or of a new reel with a new tag. */
export async function spoolFor(
  house: House,
  customerId: number,
  asked: AskedReel,
  transaction: Transaction,
): Promise<number> {
  const { reels, spools } = house.tables;
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
