import { task } from '../work/task';
import type { Piece } from '@yard-spool/contract';
import {
  allocate,
  demandsOf,
  type FillPlan,
  givenBack,
  type JoinedCut,
  makePlan,
  NOTHING_TAKEN,
  type PlanInput,
  type TakenLine,
  type Takes,
  type Words,
} from '@yard-spool/core';
import { blockingIssues } from './blocking-issues';

/** A layer's line as it is promised: off which piece (none while it has yet to come), how many mm. */
export interface WaitingCut {
  readonly layer: string;
  /** Its place among those of its layer. */
  readonly nth: number;
  readonly pieceId: number | null;
  readonly lengthMm: number;
  readonly tailMm: number;
  readonly takes: Takes | null;
}

/** A plan made again, with what it promises now. */
export interface PlannedAgain {
  readonly planInput: PlanInput;
  readonly plan: FillPlan;
  readonly cuts: readonly WaitingCut[];
}

export interface Tried {
  /** Null where it has to stay as it is. */
  readonly replanned: PlannedAgain | null;
  /** Why it stays; empty where it does not. */
  readonly stays: Words;
}

/** The rack while waiting reels are planned again, one after another. */
export interface RackLeft {
  readonly pieces: ReadonlyMap<number, Piece>;
  /** What new plans take beside what is promised; what old ones gave back is below zero. */
  taken: TakenLine;
  readonly tailMm: number;
}

export const rackLeft = (pieces: readonly Piece[], tailMm: number): RackLeft => ({
  pieces: new Map(pieces.map((piece) => [piece.id, piece])),
  taken: NOTHING_TAKEN,
  tailMm,
});

/** Makes a waiting reel's plan again as far as its pieces have the line, or says why it has to stay as it is. */
export function tryPlan(planInput: PlanInput, cuts: readonly WaitingCut[], rack: RackLeft): Tried {
  const made = makePlan(planInput);
  const blocking = blockingIssues(made);
  if (!made.ok || blocking[0])
    return { replanned: null, stays: blocking[0]?.sentence ?? 'The plan does not work so.' };
  const { plan } = made.value;
  const planned = (layer: string) => plan.layers.find(({ id }) => id === layer);
  const pieceOf = ({ pieceId }: WaitingCut): Piece | undefined =>
    pieceId === null ? undefined : rack.pieces.get(pieceId);
  const demands = cuts.flatMap((cut) => {
    const { length } = planned(cut.layer) ?? {};
    const piece = pieceOf(cut);
    if (!length || !piece || cut.nth > 0) return [];
    return demandsOf(cut.layer, length, piece, { takes: cut.takes, joined: joinedOf(cut, cuts, pieceOf) });
  });
  const again = cuts.filter(({ layer }) => demands.some((demand) => demand.layer === layer));
  const allocated = allocate(demands, givenBack(rack.taken, again), rack.tailMm);
  if (allocated.short)
    return {
      replanned: null,
      stays: `Piece ${allocated.short.piece.code} has not enough free line for it.`,
    };
  rack.taken = allocated.taken;
  const now = cuts.map((cut): WaitingCut => {
    const on = allocated.cuts.filter(({ layer }) => layer === cut.layer)[cut.nth]?.on;
    if (on) return { ...cut, lengthMm: on.lengthMm, tailMm: on.tailMm };
    const length = planned(cut.layer)?.length;
    return length ? { ...cut, lengthMm: Math.round(length.value * 1000) } : cut;
  });
  return { replanned: { planInput, plan, cuts: now }, stays: '' };
}

/** The second piece of a layer that is joined, and how much the first gives. */
function joinedOf(
  { layer, lengthMm }: WaitingCut,
  cuts: readonly WaitingCut[],
  pieceOf: (cut: WaitingCut) => Piece | undefined,
): JoinedCut<Piece> | null {
  const second = cuts.find((one) => one.layer === layer && one.nth > 0);
  const piece = second && pieceOf(second);
  return piece ? { firstMm: lengthMm, piece } : null;
}

/** Several waiting reels, one after another: what the first takes, the next cannot. */
export function tryAgainByKind({
  asked,
  pieces,
  tailMm,
}: {
  readonly asked: readonly { readonly planInput: PlanInput; readonly cuts: readonly WaitingCut[] }[];
  readonly pieces: readonly Piece[];
  readonly tailMm: number;
}): Tried[] {
  const rack = rackLeft(pieces, tailMm);
  return asked.map(({ planInput, cuts }) => tryPlan(planInput, cuts, rack));
}

export const SAME_KIND = task<typeof tryAgainByKind>('same-kind');
