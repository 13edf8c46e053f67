import type { Piece, Product, Takes } from '@yard-spool/contract';
import type { HouseRules, MadePlan } from '@yard-spool/core';
import type { SaidAmounts } from './draft-layers';
import { DRAFT_LAYERS, proposedFor, type DraftLayer, type LayerSources } from './draft-sources';

/** What a layer of a draft is cut from. */
export interface DraftCut {
  /** Null while the line has yet to come, and for line turned on the reel. */
  readonly piece: Piece | null;
  readonly takes: Takes | null;
  /** The line that has yet to come. */
  readonly coming: Product | null;
  /** Why the rack proposes this piece; empty where a person chose it. */
  readonly proposed: string;
}
export type DraftCuts = Readonly<Partial<Record<DraftLayer, DraftCut>>>;

/** What each layer is cut from: the piece that was chosen, the one the rack proposes, or the line that has yet to come. */
export function cutsFor(
  { plan }: MadePlan,
  sources: LayerSources,
  amounts: SaidAmounts,
  taken: ReadonlyMap<number, number>,
  rules: HouseRules,
): DraftCuts {
  const soFar = new Map(taken);
  return Object.fromEntries(
    plan.layers.flatMap(({ id, length, request }): [string, DraftCut][] => {
      const layer = DRAFT_LAYERS.find((one) => one === id);
      const source = layer && sources[layer];
      if (!source || request.kind !== 'line' || source.from === 'turned') return [];
      const takes = amounts[layer]?.takes ?? null;
      const needs = { metres: length.value, doubt: length.high - length.value, role: request.role };
      const found = source.from === 'line' ? proposedFor(source, needs, soFar, rules) : null;
      const piece = source.piece ?? found?.piece ?? null;
      if (piece) soFar.set(piece.id, (soFar.get(piece.id) ?? 0) + length.value);
      const coming = piece || source.from === 'own' ? null : source.product;
      return [[id, { piece, takes, coming, proposed: found?.reason ?? '' }]];
    }),
  );
}
