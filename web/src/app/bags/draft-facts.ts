import type { ExceptionFacts } from '@yard-spool/contract';
import { lineChosen, type DraftRack } from './draft-sources';
import type { ReelDraft } from './reel-draft';

/** What of a draft an exception may be set for: its main line, its customer, its tag. */
export const draftFacts = (
  { mainPiece, tag }: Pick<ReelDraft, 'mainPiece' | 'tag'>,
  { pieces }: Pick<DraftRack, 'pieces'>,
  customerId: string,
): ExceptionFacts => ({
  line: lineChosen(mainPiece) ?? pieces.find(({ id }) => String(id) === mainPiece)?.product.code,
  customer: customerId === '' ? undefined : Number(customerId),
  reel: tag.trim() === '' ? undefined : tag.trim().toUpperCase(),
});
