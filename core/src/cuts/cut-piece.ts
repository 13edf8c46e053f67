/** A piece of line as a cut sees it. Lengths in mm, as its books have them. */
export interface CutPiece {
  readonly id: number;
  readonly kind: 'bulk' | 'pack' | 'remnant' | 'salvage';
  readonly lengthMm: number;
  readonly receivedMm: number;
  /** What is promised of it already. */
  readonly promisedMm: number;
  readonly opened: boolean;
}

/** A part of a piece that is shared out: a share of what it held when it came, or all that is left on it. */
export type Takes = { readonly pack: number } | 'rest';

/** How far the books of an opened piece are usually off: a share of what is left, and some metres. From memory. */
const BOOKS_OFF = { share: 0.02, metres: 1 } as const;
/** Stripped line was never measured exactly. */
const SALVAGE_OFF = 0.05;

/** Whether a piece is still as its maker closed it. */
export const isSealed = (piece: Pick<CutPiece, 'opened' | 'kind' | 'lengthMm' | 'receivedMm'>): boolean =>
  !piece.opened && piece.kind !== 'salvage' && piece.lengthMm === piece.receivedMm;

/** How far the books of a piece are usually off, one standard deviation, m. */
export const booksOff = ({ kind, lengthMm }: Pick<CutPiece, 'kind' | 'lengthMm'>): number =>
  BOOKS_OFF.metres + ((kind === 'salvage' ? SALVAGE_OFF : BOOKS_OFF.share) * lengthMm) / 1000;
