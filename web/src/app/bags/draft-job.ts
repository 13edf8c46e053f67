import { waterState, type NewJob, type Wants } from '@yard-spool/contract';
import type { UnitSystem } from '@yard-spool/core';
import type { CutRow } from './cut-list';
import { draftReader, type DraftPlan } from './draft-plan';
import type { LineLook } from '../drawing/line-look';
import { pieceLook } from '../drawing/piece-look';
import type { ReelDraft } from './reel-draft';

/** Metres lost with each cut, until the house is known. */
const USUAL_TAIL = 2;

/** A draft as it is sent: its plan's input, what it is cut from, and what the customer wants beside. */
export function draftJob(
  draft: ReelDraft,
  { input, pieces, aim }: DraftPlan,
  system: UnitSystem,
): (NewJob & { readonly wants: Wants }) | null {
  if (!input) return null;
  const read = draftReader(draft, system);
  const least = read('least', 'line-length');
  const tag = draft.tag.trim() === '' ? {} : { tag: draft.tag };
  return {
    ...tag,
    type: draft.type,
    label: draft.label,
    spool: draft.spool.trim() === '' ? 'own' : draft.spool,
    sameReelAs: draft.sameReelAs === '' ? null : Number(draft.sameReelAs),
    planInput: input,
    cuts: input.request.layers.flatMap(({ id }) => {
      const piece = pieces[id as keyof typeof pieces];
      return piece ? [{ layer: id, pieceId: piece.id }] : [];
    }),
    wants: {
      leastMm: least === null ? null : Math.round(least * 1000),
      leader: draft.leader,
      dragKg: read('drag', 'strength'),
      onItNow: draft.onItNow,
      mainFirst: draft.mainFirst === 'yes',
      // Aimed at its counter, a change of the house rules leaves it there.
      gap: draft.gap.trim() !== '' ? 'typed' : aim ? 'counter' : 'house',
      bevelMm: read('bevel', 'small-length'),
    },
  };
}

/**
 * The cuts of a plan, with what each leaves free. What other reels of the bag take of the same piece is taken off first.
 *
 * @param taken metres other reels of the bag take, by piece
 * @param tail metres lost with each cut
 */
export function cutRows(
  { made, swap, pieces }: DraftPlan,
  taken: ReadonlyMap<number, number> = new Map(),
  tail = USUAL_TAIL,
): CutRow[] {
  const soFar = new Map(taken);
  return (made?.plan.layers ?? []).flatMap(({ id, length, handleTurns }): CutRow[] => {
    const piece = pieces[id as keyof typeof pieces];
    if (!piece) return [];
    const before = soFar.get(piece.id) ?? 0;
    const takes = length.value + tail;
    soFar.set(piece.id, before + takes);
    return [
      {
        layer: id,
        line: piece.product.name,
        piece: piece.code,
        water: waterState(piece),
        look: pieceLook(piece),
        metres: length.value,
        // Main first, the turns are those of the first winding.
        handleTurns: (swap?.first.layers.find((first) => first.id === id)?.handleTurns ?? handleTurns).value,
        left: (piece.lengthMm - piece.promisedMm) / 1000 - before - takes,
      },
    ];
  });
}

/** How each layer of a draft is drawn, by layer id. */
export const layerLooks = ({ pieces }: DraftPlan): Record<string, LineLook> =>
  Object.fromEntries(
    Object.entries(pieces).flatMap(([id, piece]) => (piece ? [[id, pieceLook(piece)]] : [])),
  );

/** Metres each piece gives to these reels, tails included. */
export function takenBy(plans: readonly DraftPlan[], tail = USUAL_TAIL): Map<number, number> {
  const taken = new Map<number, number>();
  for (const { made, pieces } of plans)
    for (const { id, length } of made?.plan.layers ?? []) {
      const piece = pieces[id as keyof typeof pieces];
      if (piece) taken.set(piece.id, (taken.get(piece.id) ?? 0) + length.value + tail);
    }
  return taken;
}

/** What keeps one reel from being booked, in one sentence; empty where nothing does. */
export function notReady(draft: ReelDraft, planned: DraftPlan, cuts: readonly CutRow[]): string {
  const { made, next, problems } = planned;
  if (next !== '') return next;
  if (!made) return problems[0] ?? '';
  if (made.plan.issues.some(({ severity }) => severity === 'error'))
    return 'Shorten the main line, or choose thinner line.';
  if (cuts.some(({ left }) => (left ?? 0) < 0)) return 'Choose a piece with enough line on it.';
  return draft.label.trim() === '' ? 'Say what the reel is called.' : '';
}
