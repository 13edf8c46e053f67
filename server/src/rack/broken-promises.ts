import { JOB_OF_CUT, REEL_OF_JOB } from '../db/joins';
import { TO_FILL, inSql } from '../db/job-states';
import type { Reading, Unit } from '../context/context';
import { noteChange } from '../history/bag-history';

/** A reel whose line a piece no longer has. */
interface Broken {
  readonly tag: string;
  readonly bagId: number;
}

/** A promise of a piece's line to a reel, the one first promised first. */
interface Promised extends Broken {
  readonly mm: string | number;
}

/** What is promised off a piece to reels planned and not yet filled, in the order it was promised. */
export const promisesOf = ({ query }: Reading, pieceId: number): Promise<Promised[]> =>
  query<Promised>(
    `SELECT reels.tag, jobs.bag_id AS bagId, cuts.length_mm + cuts.tail_mm AS mm FROM cuts
     ${JOB_OF_CUT} ${REEL_OF_JOB}
     WHERE jobs.state IN (${inSql(TO_FILL)}) AND cuts.piece_id = :pieceId ORDER BY jobs.id, cuts.id`,
    { pieceId },
  );

/** The reels a piece of this length cannot serve any more: those promised first keep theirs. */
export function brokenAt(promises: readonly Promised[], lengthMm: number): Broken[] {
  let left = lengthMm;
  return promises.filter(({ mm }) => (left -= Number(mm)) < 0);
}

/** In words: whose line is short. Empty where nobody's is. */
export const brokenWords = (broken: readonly Broken[]): string =>
  [...new Set(broken.map(({ tag, bagId }) => `${tag} in bag ${String(bagId)}`))].join(', ');

/** Tells the bags whose reels a piece cannot serve any more. */
export async function tellBroken(u: Unit, code: string, broken: readonly Broken[]): Promise<void> {
  for (const { tag, bagId } of new Map(broken.map((one) => [one.tag, one])).values()) {
    const what = `${code} was found to hold less than is promised off it: ${tag} has to be planned again`;
    await u.tables.bags.addOne('version', { id: bagId });
    await noteChange(u, bagId, what.slice(0, 300));
  }
}
