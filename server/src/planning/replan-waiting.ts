import { task } from '../work/task';
import type { Piece, PreviewReel } from '@yard-spool/contract';
import {
  adviceFacts,
  adviceSheet,
  changedAdvice,
  effectiveRules,
  exceptionsFor,
  gapAdvice,
  type HouseRules,
  type Words,
} from '@yard-spool/core';
import type { Ruling } from '../context/happened';
import { withBeliefs } from '../learning/with-beliefs';
import { lineFacts } from '../house-rules/main-line';
import { rackLeft, tryPlan, type PlannedAgain } from './try-plan';
import type { Waiting, WaitingReel } from './waiting-reels';

/** One reel that waits, with what other rules make of it. */
export interface Replanned {
  readonly reel: WaitingReel;
  readonly advice: PreviewReel['advice'];
  /** Null where its plan stays as it is. */
  readonly replanned: PlannedAgain | null;
  readonly stays: Words;
}

/** What another ruling is looked at with. */
export interface ToReplan {
  readonly waiting: Waiting;
  readonly before: Ruling;
  readonly after: Ruling;
}

/**
 * What turning one ruling into another makes of every reel that waits. Plans whose gap is the house's follow its rule,
 * one after another, as far as the pieces they are cut from have the line.
 */
export function replanWaiting({ waiting, before, after }: ToReplan): Replanned[] {
  const { learning } = waiting;
  const rack = rackLeft(waiting.pieces, waiting.tailMm);
  return waiting.reels.flatMap((reel): Replanned[] => {
    const { plan, planInput, wants, cuts, type, shown } = reel;
    const byLayer: Record<string, Piece | undefined> = Object.fromEntries(
      cuts.flatMap(({ layer, nth, pieceId }) => (nth > 0 ? [] : [[layer, rack.pieces.get(pieceId ?? 0)]])),
    );
    const facts = adviceFacts(plan, type, byLayer, wants.bevelMm);
    if (!facts) return [];
    const was = rulingFor(before, reel);
    const is = rulingFor(after, reel);
    const advice = changedAdvice(adviceSheet(facts, was), adviceSheet(facts, is));
    const top = facts.layers.at(-1)?.line.diameter ?? 0;
    const { gap } = gapAdvice(top, type, facts.rim, is, facts.room ?? null);
    // Where every layer has its length, the gap is what comes out and no rule sets it.
    if (wants.gap !== 'house' || Math.abs(gap - (planInput.request.gap ?? gap)) < 1e-9)
      return [{ reel, advice, replanned: null, stays: '' }];
    const fresh = withBeliefs(planInput, { type, label: shown.label, tag: shown.tag }, learning);
    const asked = { ...fresh, request: { ...fresh.request, gap } };
    return [{ reel, advice, ...tryPlan(asked, cuts, rack) }];
  });
}

export const REPLAN = task<typeof replanWaiting>('replan');

const rulingFor = ({ rules, exceptions }: Ruling, reel: WaitingReel): HouseRules => {
  const { type, customerId, shown } = reel;
  const keys = { ...lineFacts(reel), type, customer: customerId, reel: shown.tag };
  return effectiveRules(rules, exceptionsFor(exceptions, keys)).rules;
};
