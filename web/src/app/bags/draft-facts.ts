import type { ExceptionFacts, Piece } from '@yard-spool/contract';
import type { ReelDraft } from './reel-draft';

/** What of a draft an exception may be set for: its main line, its customer, its tag. */
export const draftFacts = (
  { mainPiece, tag }: Pick<ReelDraft, 'mainPiece' | 'tag'>,
  rack: readonly Piece[],
  customerId: string,
): ExceptionFacts => ({
  line: rack.find(({ id }) => String(id) === mainPiece)?.product.code,
  customer: customerId === '' ? undefined : Number(customerId),
  reel: tag.trim() === '' ? undefined : tag.trim().toUpperCase(),
});
