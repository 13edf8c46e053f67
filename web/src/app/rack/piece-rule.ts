import type { Piece } from '@yard-spool/contract';
import { PALETTE, type RuleStretch } from '@yard-spool/core';
import { pieceLook } from '../drawing/piece-look';

/** A piece as a length rule: free line, what is promised, what has been drawn. */
export function pieceStretches(piece: Piece): RuleStretch[] {
  const look = pieceLook(piece);
  const promised = Math.min(piece.promisedMm, piece.lengthMm);
  return [
    { metres: (piece.lengthMm - promised) / 1000, look, label: 'free' },
    { metres: promised / 1000, look, label: 'promised', promised: true },
    {
      metres: Math.max(0, piece.receivedMm - piece.lengthMm) / 1000,
      look: { texture: 'gone', tint: PALETTE.groove },
      label: 'drawn',
    },
  ];
}
