import type { Piece } from '@yard-spool/contract';
import {
  type Amount,
  freeOn,
  keptFromRecord,
  type LayerLength,
  type LayerRequest,
  type LayerRole,
  OLD_LINE,
  type TakenLine,
  type Takes,
  USUAL_PLAN_RULES,
  USUAL_TAPE,
} from '@yard-spool/core';
import { onRecord } from './on-record';
import type { DraftLayer, LayerSource, LayerSources } from './draft-sources';
import type { Read, ReadAmount } from './draft-fields';
import type { ReelDraft } from './reel-draft';

/** A splice of hollow braid: 12 ft. Common practice, no source. */
const SPLICE = 3.66;
/** Old line nobody measured is taken for ordinary nylon, mm. From memory. */
export const USUAL_KEPT = 0.3;

/** How much of each layer goes on: as it was said, and what that comes to. */
export interface SaidAmount {
  readonly length: LayerLength;
  /** Part of a piece that is shared out, and which piece that is. */
  readonly takes: Takes | null;
  readonly piece?: Piece;
}
export type SaidAmounts = Readonly<Partial<Record<DraftLayer, SaidAmount>>>;

/** What an amount of a line comes to; null where it needs a piece and none was chosen. */
export function amountOn(amount: Amount, source: LayerSource, taken: TakenLine): SaidAmount | null {
  switch (amount.kind) {
    case 'length':
      return { length: amount.metres, takes: null };
    case 'fits':
      return { length: 'fits', takes: null };
    case 'level':
      return { length: amount.level, takes: null };
    case 'least':
      return { length: LEAST_FISHED, takes: null };
    case 'pack':
      return packOn(amount, source);
    case 'rest': {
      const piece = source.piece ?? packOf(source);
      return piece ? { length: Math.max(0, freeOn(piece, taken)) / 1000, takes: 'rest', piece } : null;
    }
  }
}

/** A cast and a half of what is fished: less would show its join in a long cast. Common practice, no source; m */
const LEAST_FISHED = USUAL_PLAN_RULES.castsAboveJoin * USUAL_PLAN_RULES.longCast;

/** Packs whose print says nearly the same hold the same, as a share. */
const SAME_PACK = 0.03;

/** A share of a pack; where none holds what was said, the metres that would have been. */
function packOn({ share, held }: Extract<Amount, { kind: 'pack' }>, source: LayerSource): SaidAmount | null {
  const holds = ({ receivedMm }: Piece): boolean =>
    held === undefined || Math.abs(receivedMm / 1000 / held - 1) < SAME_PACK;
  const named = source.piece ? [source.piece] : packsOf(source, share);
  const piece = named.find(holds);
  if (piece) return { length: (share * piece.receivedMm) / 1000, takes: { pack: share }, piece };
  return held === undefined ? null : { length: share * held, takes: null };
}

/** Pieces a share of a pack can be meant of: packs, the closed ones first; a part of any piece where there is none. */
function packsOf({ offered }: LayerSource, share: number): Piece[] {
  const packs = offered
    .filter(({ kind }) => kind === 'pack')
    .sort((a, b) => Number(a.opened) - Number(b.opened) || b.lengthMm - a.lengthMm);
  // Nobody calls a bulk spool a pack and takes all of it.
  return packs.length > 0 || share === 1 ? packs : [...offered].sort((a, b) => b.lengthMm - a.lengthMm);
}

/** The piece whose rest is meant where only its line was said: a closed pack, else the fullest there is. */
const packOf = ({ offered }: LayerSource) =>
  offered.find(({ kind, opened }) => kind === 'pack' && !opened) ??
  [...offered].sort((a, b) => b.lengthMm - a.lengthMm)[0];

/** The layers of a draft, arbor first. Called once everything they need is there. */
export function layersOf(
  draft: ReelDraft,
  sources: LayerSources,
  amounts: SaidAmounts,
  read: Read,
  readAmount: ReadAmount,
): LayerRequest[] {
  const kept = [...reducerOf(read), ...oldLine(draft, read, readAmount)];
  const layer = (id: DraftLayer, role: LayerRole): LayerRequest[] => {
    const source = sources[id];
    const amount = amounts[id];
    return source && amount ? [{ kind: 'line', id, role, line: source.line, length: amount.length }] : [];
  };
  switch (draft.underneath) {
    case 'main-only':
      return [...kept, ...layer('main', 'main')];
    case 'tape':
      return [...kept, tapeOf(read), ...layer('main', 'main')];
    case 'three-layer':
      return [
        ...kept,
        ...layer('backing', 'cushion'),
        ...layer('main', 'main'),
        ...layer('top', 'top-shot').map((top) => spliced(top, sources)),
      ];
    case 'grip':
    case 'backing':
      return [...kept, ...layer('backing', 'backing'), ...layer('main', 'main')];
  }
}

const reducerOf = (read: Read): LayerRequest[] => {
  const diameter = read('reducer');
  return diameter === null ? [] : [{ kind: 'reducer', id: 'reducer', diameter }];
};

const tapeOf = (read: Read): LayerRequest => ({
  kind: 'tape',
  id: 'tape',
  thickness: read('tapeThickness') ?? USUAL_TAPE,
  wraps: read('tapeWraps') ?? 'fits',
});

/**
 * Old line that stays on: the very line where it is on record; else what it is made of is seldom known, and nylon the usual.
 */
function oldLine(draft: ReelDraft, read: Read, readAmount: ReadAmount): LayerRequest[] {
  const amount = readAmount('kept');
  const left =
    amount?.kind === 'length' ? { length: amount.metres } : amount?.kind === 'level' ? amount.level : null;
  if (!left) return [];
  const lies = onRecord(draft);
  if (lies) return keptFromRecord(lies.layers, left, lies.lipRadius);
  const line = { key: OLD_LINE, material: 'nylon', diameter: read('keptDiameter') ?? USUAL_KEPT } as const;
  return [{ kind: 'retained', id: 'kept', line, left }];
}

/** A top shot is spliced into hollow braid: its start lies inside. */
const spliced = (top: LayerRequest, { main }: LayerSources): LayerRequest =>
  top.kind === 'line' &&
  main?.line.material === 'hollow-braid' &&
  typeof top.length === 'number' &&
  top.length > SPLICE
    ? { ...top, overlap: SPLICE }
    : top;
