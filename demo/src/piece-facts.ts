import type { Piece, PieceFacts } from '@yard-spool/contract';

/** What is printed on the demo's spools, by the class of piece. Spools of one class share their measures. */
const SPOOLS = {
  bulk: { tareG: 118.5, flangeMm: 142, coreMm: 62 },
  pack: { tareG: 24, flangeMm: 84, coreMm: 44 },
  remnant: { tareG: 61.5, flangeMm: 104, coreMm: 52 },
  salvage: { tareG: 36, flangeMm: 96, coreMm: 40 },
} as const;

/** Facts of one piece; salvage was new two springs ago, as far as anybody knows. */
export const demoFacts = (
  code: string,
  kind: Piece['kind'],
  price: number | null,
): PieceFacts & { readonly packCode: string | null } => ({
  packCode: kind === 'pack' ? `2000000${code.slice(-3)}7` : null,
  lot: kind === 'salvage' ? '' : `L${code.slice(-3)}-7`,
  priceMinor: price === null ? null : Math.round(price * 100),
  ...SPOOLS[kind],
  wound: kind === 'bulk' ? 'rolled' : 'unknown',
  leaves: code.startsWith('B') ? 'anticlockwise' : kind === 'salvage' ? 'unknown' : 'clockwise',
  newOn: kind === 'salvage' ? '2025-05-01' : null,
});
