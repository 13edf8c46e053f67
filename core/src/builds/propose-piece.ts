import { chanceBelow, NINETIETH } from '../numeric/normal';
import type { LayerRole } from '../plan/fill-request';

/** A piece of the wanted line, as it can be offered. */
export interface OfferedPiece {
  readonly id: number;
  readonly kind: 'bulk' | 'pack' | 'remnant' | 'salvage';
  /** Metres that nothing else is promised of. */
  readonly free: number;
  /** How far its books may be off, one standard deviation, m; 0 where it is sealed. */
  readonly off: number;
  readonly opened: boolean;
  readonly water: 'dry' | 'soaking' | 'wet';
}

/** What a layer needs of a piece. */
export interface PieceNeeded {
  /** Metres, and how much more it may be, up to nine in ten; a whole pack needs what it holds. */
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
  | 'unopened: no opened spool has enough';

export interface ProposedPiece {
  readonly id: number;
  readonly reason: ProposalReason;
  /** How often it has enough, 0 to 1. */
  readonly serves: number;
  /** An opened piece that would have enough in fewer than nine of ten, where a sealed one is proposed for that. */
  readonly tight: { readonly id: number; readonly serves: number } | null;
}

/** A piece serves that has enough in nine of ten. */
export const SERVES = 0.9;
/** What has enough in less than this is no choice. */
const SELDOM = 0.1;

/** How often a piece has enough, 0 to 1: neither what is needed nor what its books say is known exactly. */
export function servesIn(
  { free, off }: Pick<OfferedPiece, 'free' | 'off'>,
  { metres, doubt }: Pick<PieceNeeded, 'metres' | 'doubt'>,
): number {
  if (free <= 0) return 0;
  const sd = Math.hypot(doubt / NINETIETH, off);
  return sd > 0 ? chanceBelow((free - metres) / sd) : Number(free >= metres);
}

/**
 * The piece a technician would reach for, of those that have enough in nine of ten: stripped line for backing, what is in
 * the water where the house soaks, a remnant that is just long enough, what is opened before what is sealed; among like
 * pieces the one with least left over. Where none has enough that often, the one that has it most often.
 *
 * @param pieces of one line, metres as they are free for this reel
 * @returns null where no single piece has enough
 */
export function proposePiece(pieces: readonly OfferedPiece[], needed: PieceNeeded): ProposedPiece | null {
  const can = pieces
    .filter(({ kind }) => kind !== 'salvage' || needed.role === 'backing')
    .map((piece) => ({ piece, rank: rankOf(piece, needed), serves: servesIn(piece, needed) }))
    .filter(({ serves }) => serves >= SELDOM);
  const surely = can.filter(({ serves }) => serves >= SERVES);
  const [best] =
    surely.length > 0
      ? surely.sort((a, b) => a.rank - b.rank || a.piece.free - b.piece.free || a.piece.id - b.piece.id)
      : can.sort((a, b) => b.serves - a.serves || a.rank - b.rank || a.piece.id - b.piece.id);
  if (!best) return null;
  const { piece, rank, serves } = best;
  const tight = piece.opened ? undefined : mostOften(can.filter((one) => one.piece.opened));
  return {
    id: piece.id,
    reason: REASONS[rank % REASONS.length] ?? 'opened already',
    serves,
    tight: tight ? { id: tight.piece.id, serves: tight.serves } : null,
  };
}

const mostOften = <T extends { readonly serves: number }>(some: readonly T[]): T | undefined =>
  [...some].sort((a, b) => b.serves - a.serves)[0];

const REASONS: readonly ProposalReason[] = [
  'stripped line for backing',
  'soaked already',
  'a remnant that is long enough',
  'opened already',
  'unopened: no opened spool has enough',
];

/** Place in the order of reasons; line that is wet where it should be dry comes last of all. */
function rankOf({ kind, opened, water }: OfferedPiece, { soaked }: PieceNeeded): number {
  if (kind === 'salvage') return 0;
  if (soaked && water !== 'dry') return 1;
  const late = !soaked && water !== 'dry' ? REASONS.length : 0;
  if (kind === 'remnant') return 2 + late;
  return (opened ? 3 : 4) + late;
}
