import { type ExceptionFacts, type Material, MATERIALS } from '@yard-spool/core';
import { isOnIt, lineChosen, SOURCES, type DraftRack } from './draft-sources';
import { onRecord } from './on-record';
import type { ReelDraft } from './reel-draft';

/** What of a draft an exception may be set for: its type, its main line and what that is made of, its customer, its tag. */
export function draftFacts(
  draft: ReelDraft,
  { pieces, lines }: DraftRack,
  customerId: string,
): ExceptionFacts {
  const { mainPiece, tag, type } = draft;
  const code = lineChosen(mainPiece);
  const product =
    code === null
      ? pieces.find(({ id }) => String(id) === mainPiece)?.product
      : lines.find((one) => one.code === code);
  return {
    type,
    line: code ?? product?.code,
    material: product?.material ?? broughtMaterial(draft),
    customer: customerId === '' ? undefined : Number(customerId),
    reel: tag.trim() === '' ? undefined : tag.trim().toUpperCase(),
  };
}

/** What line is made of that comes off no piece of the rack: as the record has it, else as it was said. */
function broughtMaterial(draft: ReelDraft): Material | undefined {
  if (!(draft.mainPiece in SOURCES)) return undefined;
  const known = isOnIt(draft.mainPiece) ? onRecord(draft)?.layers.at(-1)?.line.material : undefined;
  return known ?? MATERIALS.find((one) => one === draft.ownMaterial);
}
