import type { Piece } from '@yard-spool/contract';

/** What was counted of one piece, as typed, and what the books said when it was. */
export interface CountTyped {
  readonly text: string;
  readonly booksMm: number;
}
export type CountsTyped = Readonly<Record<string, CountTyped>>;

/** A piece as the list has it: where it lies, and how it differs. */
export interface CountRow {
  readonly piece: Piece;
  readonly typed: string;
  /** Counted less what the books say, mm; null where nothing, or nothing readable, was typed. */
  readonly differsMm: number | null;
  /** Whether the books say something else by now than when it was counted. */
  readonly moved: boolean;
}

/** Less than this is how a length is read, mm. */
export const SAME_MM = 500;

const KEPT_AT = 'yard-spool.rack-count';

/** A count that was begun, through a reload or another day. */
export function savedCounts(): CountsTyped {
  try {
    return JSON.parse(localStorage.getItem(KEPT_AT) ?? '{}') as CountsTyped;
  } catch {
    return {};
  }
}

export const keepCounts = (counts: CountsTyped): void => {
  localStorage.setItem(KEPT_AT, JSON.stringify(counts));
};

/** Pieces of the shop's own by where they lie, then by code; those without a place last. */
export function byPlace(
  pieces: readonly Piece[],
): readonly { readonly place: string; readonly pieces: readonly Piece[] }[] {
  const places = new Map<string, Piece[]>();
  for (const piece of pieces) {
    if (piece.broughtWith !== null) continue;
    places.set(piece.place, [...(places.get(piece.place) ?? []), piece]);
  }
  const named = (a: string, b: string): number => a.localeCompare(b, undefined, { numeric: true });
  return [...places]
    .sort(([a], [b]) => Number(a === '') - Number(b === '') || named(a, b))
    .map(([place, there]) => ({ place, pieces: there.sort((a, b) => named(a.code, b.code)) }));
}

/** A piece with what was typed of it. */
export function countRow(
  piece: Piece,
  counts: CountsTyped,
  metresOf: (text: string) => number | null,
): CountRow {
  const typed = counts[piece.code];
  const metres = typed ? metresOf(typed.text) : null;
  return {
    piece,
    typed: typed?.text ?? '',
    differsMm: metres === null ? null : Math.round(1000 * metres) - piece.lengthMm,
    moved: typed !== undefined && typed.booksMm !== piece.lengthMm,
  };
}
