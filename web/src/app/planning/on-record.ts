import type { CustomerReel } from '@yard-spool/contract';
import { lengthOn, topLine } from '@yard-spool/core';
import type { ReelDraft } from './reel-draft';

/** What lies on one spool of a reel, as it is on record. */
export type OnRecord = CustomerReel['on'][number];

const spoolsOf = ({ lies }: Pick<ReelDraft, 'lies'>): readonly OnRecord[] => {
  try {
    return lies === '' ? [] : (JSON.parse(lies) as OnRecord[]);
  } catch {
    return [];
  }
};

/** What lies on the spool a draft is for; null where nothing is on record. */
export const onRecord = (draft: Pick<ReelDraft, 'lies' | 'spool'>): OnRecord | null =>
  spoolsOf(draft).find(({ spool }) => spool === (draft.spool.trim() || 'own')) ?? null;

/** The line that is turned end for end: on top of the reel's other spool, else of this one. */
export function turnedOnRecord(draft: Pick<ReelDraft, 'lies' | 'spool'>) {
  const own = onRecord(draft);
  const from =
    spoolsOf(draft).find(({ spool }) => spool !== own?.spool && spool !== draft.spool.trim()) ?? own;
  const top = from?.layers.at(-1);
  return from && top ? { ...top, length: lengthOn(topLine(from.layers)) } : null;
}

/** What lies on a spool in words, the outermost first, and what of it is below its top line. */
export function onRecordWords(
  { layers }: OnRecord,
  length: (metres: number) => string,
): { readonly says: string; readonly below: number } {
  const named = layers.toReversed().map(({ name, length: metres }) => `${length(metres)} of ${name}`);
  return {
    says: `On it by the record: ${named.join(', over ')}.`,
    below: lengthOn(layers) - lengthOn(topLine(layers)),
  };
}
