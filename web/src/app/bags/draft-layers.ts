import { lineOf, type Piece } from '@yard-spool/contract';
import type { LayerRequest, LayerRole } from '@yard-spool/core';
import type { ReelDraft } from './reel-draft';

/** mm to a wrap of tape. From memory, no source. */
const TAPE = 0.15;
/** A splice of hollow braid: 12 ft. Common practice, no source. */
const SPLICE = 3.66;

/** Pieces of a draft by the layer they are for. */
export type LayerPieces = Readonly<Partial<Record<'main' | 'backing' | 'top', Piece | undefined>>>;

/** Lengths of a draft as they were read, m; null where nothing sensible was typed. */
export interface DraftLengths {
  readonly main: number | null;
  readonly cushion: number | null;
  readonly top: number | null;
  readonly kept: number | null;
  readonly keptDiameter: number | null;
  /** Depth of the old line's surface below the lip, mm, where that is known and not its length. */
  readonly keptDepth: number | null;
  /** Diameter a reducer gives the arbor, mm. */
  readonly reducer: number | null;
}

/** The layers of a draft, arbor first. Called once everything they need is there. */
export function layersOf(
  { underneath }: Pick<ReelDraft, 'underneath'>,
  { main, backing, top }: LayerPieces,
  lengths: DraftLengths,
): LayerRequest[] {
  const kept = [...reducerOf(lengths), ...oldLine(lengths)];
  if (!main) return kept;
  const wanted = lengths.main ?? 0;
  switch (underneath) {
    case 'main-only':
      return [...kept, lineLayer('main', 'main', main, 'fits')];
    case 'tape':
      return [
        ...kept,
        { kind: 'tape', id: 'tape', thickness: TAPE, wraps: 'fits' },
        lineLayer('main', 'main', main, wanted),
      ];
    case 'three-layer':
      return [
        ...kept,
        ...(backing ? [lineLayer('backing', 'cushion', backing, lengths.cushion ?? 0)] : []),
        lineLayer('main', 'main', main, 'fits'),
        ...(top ? [topShot(top, main, lengths.top ?? 0)] : []),
      ];
    case 'backing':
      return [
        ...kept,
        ...(backing ? [lineLayer('backing', 'backing', backing, 'fits')] : []),
        lineLayer('main', 'main', main, wanted),
      ];
  }
}

const reducerOf = ({ reducer }: DraftLengths): LayerRequest[] =>
  reducer === null ? [] : [{ kind: 'reducer', id: 'reducer', diameter: reducer }];

/** Old line that stays on: what it is made of is seldom known, and nylon the usual. */
function oldLine({ kept, keptDiameter, keptDepth }: DraftLengths): LayerRequest[] {
  if (keptDiameter === null) return [];
  const left =
    keptDepth !== null ? { depth: keptDepth } : kept !== null && kept > 0 ? { length: kept } : null;
  if (!left) return [];
  const line = { key: 'old line', material: 'nylon', diameter: keptDiameter } as const;
  return [{ kind: 'retained', id: 'kept', line, left }];
}

const lineLayer = (
  id: string,
  role: LayerRole,
  { product }: Piece,
  length: number | 'fits',
): Extract<LayerRequest, { kind: 'line' }> => ({
  kind: 'line',
  id,
  role,
  line: lineOf(product),
  length,
});

/** A top shot is spliced into hollow braid: its start lies inside. */
const topShot = (top: Piece, main: Piece, length: number): LayerRequest => ({
  ...lineLayer('top', 'top-shot', top, length),
  ...(main.product.material === 'hollow-braid' && length > SPLICE ? { overlap: SPLICE } : {}),
});
