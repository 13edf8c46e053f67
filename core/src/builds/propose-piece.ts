import type { LayerRole } from '../plan/fill-request';

/** A piece of the wanted line, as it can be offered. */
export interface OfferedPiece {
  readonly id: number;
  readonly kind: 'bulk' | 'pack' | 'remnant' | 'salvage';
  /** Metres that nothing else is promised of. */
  readonly free: number;
  readonly opened: boolean;
  readonly water: 'dry' | 'soaking' | 'wet';
}

/** What a layer needs of a piece. */
export interface PieceNeeded {
  /** Metres, and how far that may be off; a whole pack needs what it holds. */
  readonly metres: number;
  readonly doubt: number;
  readonly role: LayerRole;
  /** Whether this house winds this line wet. */
  readonly soaked: boolean;
}

/** Why a piece is proposed, in a few words. */
export type ProposalReason =
  | 'stripped line for backing'
  | 'soaked already'
  | 'a remnant that is long enough'
  | 'opened already'
  | 'sealed, no opened piece has enough';

export interface ProposedPiece {
  readonly id: number;
  readonly reason: ProposalReason;
}

/**
 * The piece a technician would reach for: stripped line for backing, what is in the water where the house soaks, a remnant
 * that is just long enough, what is opened before what is sealed; among like pieces the one with least left over.
 *
 * @param pieces of one line, metres as they are free for this reel
 * @returns null where no single piece has enough
 */
export function proposePiece(pieces: readonly OfferedPiece[], needed: PieceNeeded): ProposedPiece | null {
  const enough = pieces.filter(
    ({ kind, free }) =>
      free > 0 && free >= needed.metres - needed.doubt && (kind !== 'salvage' || needed.role === 'backing'),
  );
  const [best] = enough
    .map((piece) => ({ piece, rank: rankOf(piece, needed) }))
    .sort((a, b) => a.rank - b.rank || a.piece.free - b.piece.free || a.piece.id - b.piece.id);
  return best ? { id: best.piece.id, reason: REASONS[best.rank] ?? 'opened already' } : null;
}

const REASONS: readonly ProposalReason[] = [
  'stripped line for backing',
  'soaked already',
  'a remnant that is long enough',
  'opened already',
  'sealed, no opened piece has enough',
];

/** Place in the order of reasons; line that is wet where it should be dry comes last of all. */
function rankOf({ kind, opened, water }: OfferedPiece, { soaked }: PieceNeeded): number {
  if (kind === 'salvage') return 0;
  if (soaked && water !== 'dry') return 1;
  const late = !soaked && water !== 'dry' ? REASONS.length : 0;
  if (kind === 'remnant') return 2 + late;
  return (opened ? 3 : 4) + late;
}
