import type { Learning, Piece } from '@yard-spool/contract';
import type { HouseRules, TakenLine, UnitSystem } from '@yard-spool/core';
import { planDraft, type DraftPlan } from '../planning/draft-plan';
import type { ReelDraft } from '../planning/reel-draft';

/** A draft planned from the pieces of a rack, whose lines are those of its pieces. */
export const planFrom = (
  draft: ReelDraft,
  pieces: readonly Piece[],
  system: UnitSystem = 'metric',
  rules?: HouseRules,
  learning?: Learning,
  taken?: TakenLine,
  tailMm?: number,
): DraftPlan =>
  planDraft(draft, {
    rack: { pieces, lines: pieces.map(({ product }) => product) },
    system,
    rules,
    learning,
    ...(taken ? { taken } : {}),
    ...(tailMm === undefined ? {} : { tailMm }),
  });
