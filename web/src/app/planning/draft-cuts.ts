import type { Piece, Product } from '@yard-spool/contract';
import {
  allocate,
  demandsOf,
  type HouseRules,
  type JoinedCut,
  type MadePlan,
  type PlannedLayer,
  type TakenLine,
  type Takes,
} from '@yard-spool/core';
import type { SaidAmounts } from './draft-layers';
import {
  DRAFT_LAYERS,
  isOnIt,
  proposedFor,
  type DraftLayer,
  type LayerSource,
  type LayerSources,
  type Tight,
} from './draft-sources';

/** What a layer of a draft is cut from. */
export interface DraftCut {
  /** Null while the line has yet to come, and for line that is on the reel. */
  readonly piece: Piece | null;
  readonly takes: Takes | null;
  /** What it is joined to, where its piece gives only a part of it. */
  readonly joined: JoinedCut<Piece> | null;
  /** The line that has yet to come. */
  readonly coming: Product | null;
  /** Why the rack proposes this piece; empty where a person chose it. */
  readonly proposed: string;
  /** An opened piece that may not have enough, where a sealed one is proposed for that. */
  readonly tight: Tight | null;
}
export type DraftCuts = Readonly<Partial<Record<DraftLayer, DraftCut>>>;

/** What a layer's line is cut from, whatever part of that it takes. */
type CutOfLine = Omit<DraftCut, 'takes' | 'joined'>;

interface CutBeside {
  readonly rules: HouseRules;
  readonly tailMm: number;
  /** What backing is joined to. */
  readonly joined: JoinedCut<Piece> | null;
}

/** What each layer is cut from: the piece that was chosen, the one the rack proposes, or the line that has yet to come. */
export function cutsFor(
  { plan }: MadePlan,
  sources: LayerSources,
  amounts: SaidAmounts,
  taken: TakenLine,
  { rules, tailMm, joined }: CutBeside,
): DraftCuts {
  let soFar = taken;
  return Object.fromEntries(
    plan.layers.flatMap((planned): [string, DraftCut][] => {
      const layer = DRAFT_LAYERS.find((one) => one === planned.id);
      const source = layer && sources[layer];
      if (!source || isOnIt(source.from)) return [];
      const { takes = null, piece } = amounts[layer] ?? {};
      const cut = takes && piece ? partOf(source, piece) : cutFor(planned, source, soFar, rules);
      const whole = { ...cut, takes, joined: layer === 'backing' && !takes ? joined : null };
      soFar = allocate(demandsOf(planned.id, planned.length, cut.piece, whole), soFar, tailMm).taken;
      return [[planned.id, whole]];
    }),
  );
}

/** A part of a pack comes off the very pack it was reckoned from. */
function partOf(source: LayerSource, piece: Piece): CutOfLine {
  return { piece, coming: null, proposed: source.piece ? '' : 'the one it is a part of', tight: null };
}

function cutFor(
  { length, request }: PlannedLayer,
  source: LayerSource,
  taken: TakenLine,
  rules: HouseRules,
): CutOfLine {
  if (source.piece) return { piece: source.piece, coming: null, proposed: '', tight: null };
  const role = request.kind === 'line' ? request.role : 'main';
  const needs = { metres: length.value, doubt: length.high - length.value, role };
  const found = source.from === 'line' ? proposedFor(source, needs, taken, rules) : null;
  if (found) return { piece: found.piece, coming: null, proposed: found.reason, tight: found.tight };
  return { piece: null, coming: source.from === 'own' ? null : source.product, proposed: '', tight: null };
}
