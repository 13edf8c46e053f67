import type { BroughtLine, Cut, NewJob, Piece, Wants } from '@yard-spool/contract';
import {
  allocate,
  type AllocatedCut,
  type CutOnPiece,
  demandsOf,
  freeOn,
  type LineStyle,
  NOTHING_TAKEN,
  type Ranged,
  servesIn,
  type TakenLine,
  type UnitSystem,
  waterState,
} from '@yard-spool/core';
import { JOINED_ON, type CutRow } from './cut-list';
import { draftReader } from './draft-fields';
import { USUAL_TAIL_MM, type DraftPlan } from './draft-plan';
import { stays } from './draft-stays';
import { offOf, ownLine, sameBrought, SOURCES, type DraftLayer } from './draft-sources';
import type { ReelDraft } from './reel-draft';
import { REEL_TYPE_NAMES } from '../words/reel-type-names';

/** A cut of less says nothing of how many more a piece gives, mm. */
const WORTH_SAYING = 5000;

type Job = NewJob & { readonly wants: Wants };

/** A draft as it is sent: its plan's input, what it is cut from, and what the customer wants beside. */
export function draftJob(
  draft: ReelDraft,
  { input, cuts, aim }: DraftPlan,
  system: UnitSystem,
  placeOf: (line: BroughtLine) => number,
): Job | null {
  if (!input) return null;
  const read = draftReader(draft, system);
  const least = read('least');
  const tag = draft.tag.trim() === '' ? {} : { tag: draft.tag };
  const own = ownLine(draft, read);
  return {
    ...tag,
    type: draft.type,
    label: nameOf(draft),
    looks: draft.looks.trim(),
    spool: draft.spool.trim() === '' ? 'own' : draft.spool,
    sameReelAs: draft.sameReelAs === '' ? null : Number(draft.sameReelAs),
    planInput: input,
    cuts: Object.entries(cuts).flatMap(([layer, { piece, takes, coming, joined }]): Cut[] => {
      const part = takes ? { takes } : {};
      if (piece && piece.id < 0) return own ? [{ layer, brought: placeOf(own), ...part }] : [];
      if (piece && joined)
        return [{ layer, pieceId: piece.id, joined: { pieceId: joined.piece.id, firstMm: joined.firstMm } }];
      if (piece) return [{ layer, pieceId: piece.id, ...part }];
      return coming ? [{ layer, productId: coming.id }] : [];
    }),
    wants: {
      leastMm: least === null ? null : Math.round(least * 1000),
      leader: draft.leader,
      dragKg: read('drag'),
      onItNow: draft.onItNow,
      mainFirst: draft.mainFirst === 'yes',
      endForEnd: draft.mainPiece === SOURCES.turned,
      counterOnly: stays(draft),
      // Aimed at its counter, a change of the house rules leaves it there.
      gap: draft.gap.trim() !== '' ? 'typed' : aim ? 'counter' : 'house',
      bevelMm: read('bevel'),
    },
  };
}

/** What each layer with a piece comes to on it, once what others take is off. */
function allocated({ made, cuts }: DraftPlan, taken: TakenLine, tailMm: number) {
  const demands = (made?.plan.layers ?? []).flatMap(({ id: layer, length }) => {
    const cut = cuts[layer as DraftLayer];
    return cut ? demandsOf(layer, length, cut.piece, cut) : [];
  });
  return allocate(demands, taken, tailMm);
}

/**
 * The cuts of a plan, with what each leaves free. What other reels of the bag take of the same piece is taken off first.
 *
 * @param taken what other reels of the bag take
 * @param tailMm mm lost with each cut
 */
export function cutRows(plan: DraftPlan, taken: TakenLine = NOTHING_TAKEN, tailMm = USUAL_TAIL_MM): CutRow[] {
  const { made, swap, cuts, sources } = plan;
  const ons: readonly AllocatedCut<Piece>[] = allocated(plan, taken, tailMm).cuts;
  return (made?.plan.layers ?? []).flatMap(({ id, length, handleTurns }): CutRow[] => {
    const cut = cuts[id as DraftLayer];
    const source = sources[id as DraftLayer];
    if (!cut || !source) return [];
    const on = ons.filter(({ layer }) => layer === id);
    const [first] = on;
    const row = {
      layer: id,
      ...(source.product.id > 0 ? { code: source.product.code } : {}),
      line: source.name,
      lineStyle: source.lineStyle,
      metres: length.value,
      // Main first, the turns are those of the first winding.
      handleTurns: (swap?.first.layers.find((first) => first.id === id)?.handleTurns ?? handleTurns).value,
    };
    if (!cut.piece || !first)
      return [
        {
          ...row,
          piece: 'on no piece yet',
          water: 'dry',
          left: null,
          comes: true,
          short: length.value - Math.max(0, ...source.offered.map((piece) => freeOn(piece, taken) / 1000)),
        },
      ];
    if (cut.joined) return joinedRows(row, length.value, demandsOf(id, length, cut.piece, cut), on, taken);
    return [
      {
        ...row,
        piece: cut.piece.code,
        water: waterState(cut.piece),
        proposed: cut.proposed,
        ...(cut.takes ? {} : { serves: servesHere(cut.piece, length, taken), tight: cut.tight }),
        ...leftOf(first.on),
      },
    ];
  });
}

/** A layer joined from two pieces as a row for each, with its part of the turns. */
function joinedRows(
  row: Pick<CutRow, 'layer' | 'code' | 'line' | 'lineStyle' | 'metres' | 'handleTurns'>,
  whole: number,
  parts: ReturnType<typeof demandsOf<Piece>>,
  ons: readonly AllocatedCut<Piece>[],
  taken: TakenLine,
): CutRow[] {
  return parts.flatMap(({ length }, i): CutRow[] => {
    const of = ons[i];
    if (!of) return [];
    return [
      {
        ...row,
        metres: length.value,
        handleTurns: whole > 0 ? (row.handleTurns * length.value) / whole : 0,
        piece: of.piece.code,
        water: waterState(of.piece),
        proposed: i === 0 ? '' : JOINED_ON,
        // All of the first is meant to go on.
        ...(i === 0 ? {} : { serves: servesHere(of.piece, length, taken) }),
        ...leftOf(of.on),
      },
    ];
  });
}

/** What a cut leaves on its piece, m: below zero what it is short of for certain; what it may lack; how many more it gives. */
function leftOf({
  tooShort,
  shortMm,
  leftMm,
  lengthMm,
  tailMm,
}: CutOnPiece): Pick<CutRow, 'left' | 'short' | 'more'> {
  if (tooShort) return { left: -shortMm / 1000, short: 0, more: 0 };
  const more = lengthMm >= WORTH_SAYING ? Math.floor(leftMm / (lengthMm + tailMm)) : 0;
  return { left: leftMm / 1000, short: shortMm / 1000, more };
}

/** How often a piece has enough for a length, 0 to 1. */
const servesHere = (
  piece: Piece,
  { value, high }: Pick<Ranged, 'value' | 'high'>,
  taken: TakenLine,
): number =>
  servesIn({ free: freeOn(piece, taken) / 1000, off: offOf(piece) }, { metres: value, doubt: high - value });

/** How each layer of a draft is drawn, by layer id. */
export const layerStyles = ({ sources }: DraftPlan): Record<string, LineStyle> =>
  Object.fromEntries(Object.entries(sources).map(([id, { lineStyle }]) => [id, lineStyle]));

/** What these reels take of each piece, one after another, tails included. */
export const takenBy = (
  plans: readonly DraftPlan[],
  tailMm = USUAL_TAIL_MM,
  before: TakenLine = NOTHING_TAKEN,
): TakenLine => plans.reduce<TakenLine>((taken, plan) => allocated(plan, taken, tailMm).taken, before);

/** Lines reels bring, each once, in the order they are sent. */
export class BroughtLines {
  readonly lines: BroughtLine[] = [];
  /** The place of a line among them. */
  readonly placeOf = (line: BroughtLine): number => {
    const at = this.lines.findIndex((one) => sameBrought(one) === sameBrought(line));
    return at >= 0 ? at : this.lines.push(line) - 1;
  };
}

/** What a reel is called; a nameless one by its type, where its tag or its looks tell it. */
function nameOf({ label, tag, looks, type }: ReelDraft): string {
  if (label.trim() !== '') return label.trim();
  return tag.trim() === '' && looks.trim() === '' ? '' : `${REEL_TYPE_NAMES[type]}, no name`;
}

/** What keeps one reel from being booked, in one sentence; empty where nothing does. */
export function notReady(draft: ReelDraft, planned: DraftPlan, cuts: readonly CutRow[]): string {
  const { made, next, problems, unread, sources } = planned;
  if (unread !== '') return unread;
  if (next !== '') return next;
  if (!made) return problems[0] ?? '';
  if (made.plan.issues.some(({ severity }) => severity === 'error'))
    return 'Shorten the main line, or choose thinner line.';
  if (Object.values(sources).some(({ from }) => from === 'other'))
    return 'Choose a line the shop has, or say that they bring it.';
  if (cuts.some(({ left }) => (left ?? 0) < 0)) return 'Choose a piece with enough line on it.';
  return nameOf(draft) === '' ? 'Say what the reel is called, or its tag and what it looks like.' : '';
}
