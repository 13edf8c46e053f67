import type { Piece } from '@yard-spool/contract';
import { emptyReel, type ReelDraft } from '../planning/reel-draft';
import { planFrom } from './drafts';
import { aPiece } from './pieces';

export const line = (
  code: string,
  diameter: number,
  material: 'nylon' | 'braid' | 'hollow-braid' = 'nylon',
) => ({
  ...aPiece().product,
  id: diameter * 1000,
  code,
  name: `${material} ${String(diameter)}`,
  diameter,
  material,
});
const NYLON = line('N-25', 0.25);
export const BRAID = line('B-19', 0.19, 'braid');
export const piece = (id: number, more: Partial<Piece>): Piece =>
  aPiece({ id, code: `P-${String(id)}`, ...more });
export const RACK = [
  piece(1, { product: NYLON, lengthMm: 900_000, receivedMm: 1_000_000, opened: true }),
  piece(2, { product: BRAID, kind: 'pack', lengthMm: 182_880, receivedMm: 182_880 }),
  piece(3, { product: NYLON, kind: 'salvage', lengthMm: 70_000, receivedMm: 70_000, opened: true }),
  piece(4, { product: NYLON, kind: 'remnant', lengthMm: 150_000, receivedMm: 150_000, opened: true }),
];
export const draft = (more: Partial<ReelDraft> = {}): ReelDraft => ({
  ...emptyReel(),
  label: 'Kitta 25',
  rating1: '210 x 0.25',
  rating2: '148 x 0.30',
  lip: '46 mm',
  width: '16.5 mm',
  gear: '5.2:1',
  mainPiece: '2',
  mainLength: 'half the pack',
  backingPiece: '1',
  ...more,
});
export const layersOf = (more: Partial<ReelDraft>) => planFrom(draft(more), RACK).input?.request.layers;
