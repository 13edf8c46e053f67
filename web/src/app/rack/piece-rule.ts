import type { Piece } from '@yard-spool/contract';
import { PALETTE, type RuleStretch } from '@yard-spool/core';
import { pieceStyle } from '../drawing/piece-style';

/** A piece as a length rule: free line, what is promised, what has been drawn. */
export function pieceStretches(piece: Piece): RuleStretch[] {
  const lineStyle = pieceStyle(piece);
  const promised = Math.min(piece.promisedMm, piece.lengthMm);
  return [
    { metres: (piece.lengthMm - promised) / 1000, lineStyle, label: 'free' },
    { metres: promised / 1000, lineStyle, label: 'promised', promised: true },
    {
      metres: Math.max(0, piece.receivedMm - piece.lengthMm) / 1000,
      lineStyle: { texture: 'gone', tint: PALETTE.groove },
      label: 'drawn',
    },
  ];
}
