import type { ReelTableRow } from '../db/models/customers';
import type { Reading } from '../context/context';

/** The reel with a tag, or one that had it before. */
export async function reelByTag({ tables }: Reading, tag: string): Promise<ReelTableRow | null> {
  const reel = await tables.reels.findOne({ where: { tag } });
  if (reel) return reel;
  const before = await tables.reelTags.findByPk(tag);
  return before && tables.reels.findByPk(before.reelId);
}
