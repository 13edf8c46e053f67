import type { OverrideFacts, Piece } from '@yard-spool/contract';
import type { ReelDraft } from './reel-draft';

/** What of a draft a rule may be set otherwise for: its main line, its customer, its tag. */
export const draftFacts = (
  { mainPiece, tag }: Pick<ReelDraft, 'mainPiece' | 'tag'>,
  rack: readonly Piece[],
  customerId: string,
): OverrideFacts => ({
  line: rack.find(({ id }) => String(id) === mainPiece)?.product.code,
  customer: customerId === '' ? undefined : Number(customerId),
  reel: tag.trim() === '' ? undefined : tag.trim().toUpperCase(),
});
