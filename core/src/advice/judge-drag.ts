import { DRAG_SHARE } from './drag-advice';
import { weakestPart } from './drag-limit';

/** A part of what a fish pulls on: a layer of line, a leader, a bumper. */
export interface DragPart {
  readonly name: string;
  /** Rated strength, kg; null where nobody knows it. */
  readonly strength: number | null;
}

/** A drag as it was read, held against what was asked and against the weakest part. Pulls in kg. */
export interface DragJudgement {
  readonly read: number;
  /** What was asked for, and whether the reading is that; null where nothing was. */
  readonly asked: { readonly drag: number; readonly isMet: boolean } | null;
  /** The weakest part whose strength is known, and what a knot in it likely stands; null where none is known. */
  readonly weakest: { readonly name: string; readonly strength: number; readonly knot: number } | null;
  /** A quarter to a third of that part's rated strength; null where none is known. */
  readonly range: { readonly low: number; readonly high: number } | null;
  readonly verdict: 'fits' | 'not-as-asked' | 'low' | 'high' | 'breaks';
}

/** A spring scale and a hand are this far off, as a share and at least, kg. From memory. */
const READS_TO = { share: 0.1, kg: 0.1 } as const;

/**
 * Judges a drag: a quarter to a third of the weakest part's rated strength (common practice, no source), what was asked
 * for where it was, and never more than a knot in the weakest part stands. What was asked for goes before the range: the
 * person who fishes it may have reasons.
 *
 * @param read kg against a straight pull
 * @param asked kg; null where nothing was asked for
 * @param parts everything that is pulled on, in any order
 */
export function judgeDrag(read: number, asked: number | null, parts: readonly DragPart[]): DragJudgement {
  const least = weakestPart(parts.map(({ strength }) => strength));
  const weakest = least && {
    name: parts[least.weakest]?.name ?? '',
    strength: least.breaks,
    knot: least.knot,
  };
  const range = least && { low: DRAG_SHARE.low * least.breaks, high: DRAG_SHARE.high * least.breaks };
  const off = (than: number): number => Math.max(READS_TO.kg, READS_TO.share * than);
  const isMet = asked !== null && Math.abs(read - asked) <= off(asked);
  const verdict = (): DragJudgement['verdict'] => {
    if (weakest && read > weakest.knot) return 'breaks';
    if (asked !== null) return isMet ? 'fits' : 'not-as-asked';
    if (range && read > range.high + off(range.high)) return 'high';
    return range && read < range.low - off(range.low) ? 'low' : 'fits';
  };
  return {
    read,
    weakest,
    range,
    verdict: verdict(),
    asked: asked === null ? null : { drag: asked, isMet },
  };
}
