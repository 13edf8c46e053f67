import type { Piece } from '@yard-spool/contract';
import { emptyReel, type ReelDraft } from '../planning/reel-draft';
import { aPiece } from './pieces';

export const piece = (id: number, code: string, diameter: number): Piece =>
  aPiece({
    id,
    code,
    product: { ...aPiece().product, id, code: `L-${id}`, name: `Nylon ${diameter}`, diameter },
    receivedMm: 900_000,
    lengthMm: 900_000,
  });
export const PIECES = [piece(1, 'P-25', 0.25), piece(2, 'P-26', 0.26)];
export const draft = (more: Partial<ReelDraft> = {}): ReelDraft => ({
  ...emptyReel(),
  gap: '1.5 mm',
  rating1: '210 x 0.25',
  rating2: '148 x .30',
  lip: '46 mm',
  width: '16.5 mm',
  gear: '5.2:1',
  mainPiece: '2',
  mainLength: '120 m',
  backingPiece: '1',
  ...more,
});
