import type { Piece } from '@yard-spool/contract';
import { freeOn, LEAST_JOINED_MM, type JoinedCut, type TakenLine } from '@yard-spool/core';
import type { ReelDraft } from './reel-draft';

/** The pieces backing is joined from, by their numbers, and how much the first gives, mm. */
interface Join {
  readonly first: number;
  readonly second: number;
  readonly firstMm: number;
}

/** A join as a draft keeps it; nobody types it. */
export const joinText = ({ first, second, firstMm }: Join): string =>
  [first, second, firstMm].map(String).join(' ');

/** What backing is joined to, as long as its first piece is the one it was joined for; null where it is of one. */
export function joinIn(
  { joined, backingPiece }: ReelDraft,
  pieces: readonly Piece[],
): JoinedCut<Piece> | null {
  const [first, second, firstMm] = joined.split(' ').map(Number);
  if (first === undefined || String(first) !== backingPiece || !firstMm) return null;
  const piece = pieces.find(({ id }) => id === second);
  return piece ? { firstMm, piece } : null;
}

/**
 * Two pieces that have a length between them where none has it alone: all of the shorter one first, so that it is used up.
 *
 * @param metres of backing, at its likely most
 */
export function joinFor(
  offered: readonly Piece[],
  metres: number,
  taken: TakenLine,
  tailMm: number,
): (Join & { readonly codes: readonly [string, string] }) | null {
  const needed = Math.ceil(1000 * metres);
  const free = offered
    .map((piece) => ({ piece, mm: freeOn(piece, taken) }))
    .filter(({ mm }) => mm >= LEAST_JOINED_MM)
    .sort((a, b) => a.mm - b.mm);
  for (const [i, first] of free.entries()) {
    const rest = needed - first.mm;
    if (rest < LEAST_JOINED_MM) continue;
    const second = free.slice(i + 1).find(({ mm }) => mm >= rest + tailMm);
    if (second) {
      const codes = [first.piece.code, second.piece.code] as const;
      return { first: first.piece.id, second: second.piece.id, firstMm: first.mm, codes };
    }
  }
  return null;
}
