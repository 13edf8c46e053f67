import { TO_FILL } from '../db/job-states';
import type { Unit } from '../context/context';
import type { ReelType } from '@yard-spool/core';
import { reelByTag } from '../record/reel-by-tag';
import { ProblemError } from '../problem-error';

interface AskedReel {
  readonly tag?: string;
  readonly type: ReelType;
  readonly label: string;
  /** What tells it from others like it; empty for what is known of it already. */
  readonly looks: string;
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
  u: Unit,
  customerId: number,
  asked: AskedReel,
  before: readonly number[],
): Promise<number> {
  const { spools } = u.tables;
  if (asked.sameReelAs !== null) return spareSpool(u, asked, before);
  const known = asked.tag === undefined ? null : await reelByTag(u, asked.tag);
  if (known && known.customerId !== customerId) {
    throw new ProblemError(
      'already-exists',
      `Tag ${known.tag} is on another customer’s reel. Check the tag, or leave it empty for a new one.`,
      [{ path: 'tag', message: 'This tag is on another customer’s reel.' }],
    );
  }
  const reel = known ?? (await newReel(u, customerId, asked));
  if (known && asked.looks !== '' && known.looks !== asked.looks)
    await u.tables.reels.change(known, { looks: asked.looks });
  const named = { reelId: reel.id, name: asked.spool };
  const spool = known && (await spools.lockOne({ where: named }));
  if (spool) await mustNotWait(u, spool.id, known.tag, before);
  return (spool ?? (await spools.create(named))).id;
}

/**
 * A spool is booked once at a time: else line would be promised to it twice, and two benches would look for it.
 *
 * @param before spools of the same bag so far
 * @throws `already-exists` where it waits, or is on a bench
 */
export async function mustNotWait(
  { tables }: Unit,
  spoolId: number,
  tag: string,
  before: readonly number[] = [],
): Promise<void> {
  const refused = (detail: string): ProblemError =>
    new ProblemError('already-exists', detail, [{ path: 'tag', message: detail }]);
  if (before.includes(spoolId))
    throw refused(`${tag} is in this bag twice. Leave one out, or book the other as its spare spool.`);
  const job = await tables.jobs.findOne({ where: { spoolId, state: [...TO_FILL] } });
  if (!job) return;
  const bag = `bag ${String(job.bagId)}`;
  throw refused(
    job.state === 'booked'
      ? `${tag} waits in ${bag} already. Change it there, or cancel it there first.`
      : `${tag} is on the bench, out of ${bag}. Finish it there first.`,
  );
}

/** Another spool of a reel that is in the same bag. */
async function spareSpool(
  u: Unit,
  { spool, sameReelAs }: AskedReel,
  before: readonly number[],
): Promise<number> {
  const { tables } = u;
  const first = await tables.spools.findByPk(before[sameReelAs ?? -1] ?? 0);
  if (!first)
    throw new ProblemError('bad-request', 'The reel this spool belongs to must come before it in the bag.');
  if (first.name === spool)
    throw new ProblemError(
      'bad-request',
      'Call the second spool something else than the first, like “spare”.',
    );
  const named = { reelId: first.reelId, name: spool };
  const there = await tables.spools.lockOne({ where: named });
  const reel = there && (await tables.reels.findByPk(first.reelId));
  if (reel) await mustNotWait(u, there.id, reel.tag, before);
  return (there ?? (await tables.spools.create(named))).id;
}

async function newReel(u: Unit, customerId: number, { tag, type, label, looks }: AskedReel) {
  const { reels } = u.tables;
  const row = await reels.create({
    tag: tag ?? `NEW-${crypto.randomUUID().slice(0, 8)}`,
    customerId,
    type,
    label,
    looks,
  });
  if (tag === undefined) await reels.change(row, { tag: `R-${String(row.id).padStart(4, '0')}` });
  await u.happened.renamed('reel', [row.id]);
  return row;
}
