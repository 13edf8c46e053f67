import { task } from '../work/task';
import { cutOnPiece, type Piece, type Takes } from '@yard-spool/contract';
import { makePlan, type FillPlan, type PlanInput, type Words } from '@yard-spool/core';
import { blockingIssues } from './blocking-issues';

/** A layer's line as it is promised: off which piece (none while it has yet to come), how many mm. */
export interface WaitingCut {
  readonly layer: string;
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
  /** mm free of each piece; what a new plan takes is taken off. */
  readonly free: Map<number, number>;
  readonly tailMm: number;
}

export const rackLeft = (pieces: readonly Piece[], tailMm: number): RackLeft => ({
  pieces: new Map(pieces.map((piece) => [piece.id, piece])),
  free: new Map(pieces.map(({ id, lengthMm, promisedMm }) => [id, lengthMm - promisedMm])),
  tailMm,
});

/** Makes a waiting reel's plan again as far as its pieces have the line, or says why it has to stay as it is. */
export function tryPlan(
  planInput: PlanInput,
  cuts: readonly WaitingCut[],
  { pieces, free, tailMm }: RackLeft,
): Tried {
  const made = makePlan(planInput);
  const blocking = blockingIssues(made);
  if (!made.ok || blocking[0])
    return { replanned: null, stays: blocking[0]?.sentence ?? 'The plan does not work so.' };
  const { plan } = made.value;
  const left = new Map(free);
  const now: WaitingCut[] = [];
  for (const cut of cuts) {
    const planned = plan.layers.find(({ id }) => id === cut.layer);
    const piece = cut.pieceId === null ? undefined : pieces.get(cut.pieceId);
    if (!piece || !planned) {
      now.push({ ...cut, lengthMm: Math.round((planned?.length.value ?? 0) * 1000) });
      continue;
    }
    const freeMm = (left.get(piece.id) ?? 0) + cut.lengthMm + cut.tailMm;
    const on = cutOnPiece(piece, planned.length, { freeMm, tailMm, takes: cut.takes });
    if (on.tooShort)
      return { replanned: null, stays: `Piece ${piece.code} has not enough free line for it.` };
    left.set(piece.id, on.leftMm);
    now.push({ ...cut, lengthMm: on.lengthMm, tailMm: on.tailMm });
  }
  for (const [id, mm] of left) free.set(id, mm);
  return { replanned: { planInput, plan, cuts: now }, stays: '' };
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
