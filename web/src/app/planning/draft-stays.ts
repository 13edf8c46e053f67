import { lengthOn, topLine } from '@yard-spool/core';
import { SOURCES } from './draft-sources';
import { onRecord } from './on-record';
import type { ReelDraft } from './reel-draft';

/** Line on a trolling reel that nobody measured is taken for nylon of this, mm: about 8 kg. From memory. */
export const USUAL_TROLLED = 0.4;

/** Whether the line of a draft is on the reel already and stays: only its counter is matched. */
export const stays = ({ mainPiece }: Pick<ReelDraft, 'mainPiece'>): boolean => mainPiece === SOURCES.stays;

const exactly = (metres: number): string => `${metres.toFixed(3)} m`;

/** A draft whose line stays on, with what lies there: as it is on record, else as somebody said, else as is usual. */
export function asItLies(draft: ReelDraft): ReelDraft {
  if (!stays(draft)) return draft;
  const lies = onRecord(draft);
  const alone = { ...draft, underneath: 'main-only', kept: '', mainFirst: '' } as const;
  if (!lies)
    return draft.ownDiameter.trim() === '' ? { ...alone, ownDiameter: `${String(USUAL_TROLLED)} mm` } : alone;
  const top = lengthOn(topLine(lies.layers));
  const below = lengthOn(lies.layers) - top;
  return { ...alone, mainLength: exactly(top), kept: below > 0 ? exactly(below) : '' };
}
