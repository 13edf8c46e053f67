import {
  adviceFacts,
  exceptionsFor,
  type Exception,
  type Piece,
  type PreviewReel,
} from '@yard-spool/contract';
import {
  adviceSheet,
  changedAdvice,
  effectiveRules,
  gapAdvice,
  makePlan,
  type FillPlan,
  type HouseRules,
  type PlanInput,
} from '@yard-spool/core';
import { blockingIssues } from '../bags/blocking-issues';
import { withBeliefs } from '../learning/with-beliefs';
import { mainLineOf } from './main-line';
import type { Waiting, WaitingCut, WaitingReel } from './waiting-reels';

/** House rules and exceptions to them, at one moment. */
export interface Ruling {
  readonly rules: HouseRules;
  readonly exceptions: readonly Exception[];
}

/** One reel that waits, with what other rules make of it. */
export interface Replanned {
  readonly reel: WaitingReel;
  readonly advice: PreviewReel['advice'];
  /** The plan made replanned; null where it stays as it is. */
  readonly replanned: { readonly planInput: PlanInput; readonly plan: FillPlan } | null;
  readonly stays: string;
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
  const { learning, tailMm } = waiting;
  const pieces = new Map(waiting.pieces.map((piece) => [piece.id, piece]));
  const free = new Map([...pieces].map(([id, { lengthMm, promisedMm }]) => [id, lengthMm - promisedMm]));
  return waiting.reels.flatMap((reel): Replanned[] => {
    const { plan, planInput, wants, cuts, type, shown } = reel;
    const byLayer: Record<string, Piece | undefined> = Object.fromEntries(
      cuts.map(({ layer, pieceId }) => [layer, pieces.get(pieceId)]),
    );
    const facts = adviceFacts(plan, type, byLayer, wants.bevelMm);
    if (!facts) return [];
    const [was, is] = [rulingFor(before, reel), rulingFor(after, reel)];
    const advice = changedAdvice(adviceSheet(facts, was), adviceSheet(facts, is));
    const top = facts.layers.at(-1)?.line.diameter ?? 0;
    const { gap } = gapAdvice(top, type, facts.rim, is);
    if (wants.gap !== 'house' || Math.abs(gap - (planInput.request.gap ?? gap)) < 1e-9)
      return [{ reel, advice, replanned: null, stays: '' }];
    const fresh = withBeliefs(planInput, { type, label: shown.label }, learning);
    const asked = { ...fresh, request: { ...fresh.request, gap } };
    return [{ reel, advice, ...tryPlan(asked, cuts, { pieces, free, tailMm }) }];
  });
}

const rulingFor = ({ rules, exceptions }: Ruling, reel: WaitingReel): HouseRules => {
  const keys = { line: mainLineOf(reel), customer: reel.customerId, reel: reel.shown.tag };
  return effectiveRules(rules, exceptionsFor(exceptions, keys)).rules;
};

interface Rack {
  readonly pieces: ReadonlyMap<number, Piece>;
  /** mm free of each piece; what a new plan takes is taken off. */
  readonly free: Map<number, number>;
  readonly tailMm: number;
}

/** Makes a plan again, or says why it has to stay as it is. */
function tryPlan(
  planInput: PlanInput,
  cuts: readonly WaitingCut[],
  { pieces, free, tailMm }: Rack,
): Pick<Replanned, 'replanned' | 'stays'> {
  const made = makePlan(planInput);
  const blocking = blockingIssues(made);
  if (!made.ok || blocking[0])
    return { replanned: null, stays: blocking[0]?.sentence ?? 'The plan does not work so.' };
  const { plan } = made.value;
  const wanted = cuts.map((cut) => ({
    ...cut,
    now: Math.round((plan.layers.find(({ id }) => id === cut.layer)?.length.value ?? 0) * 1000),
  }));
  for (const { pieceId, lengthMm, now } of wanted) {
    if (now + tailMm > (free.get(pieceId) ?? 0) + lengthMm)
      return {
        replanned: null,
        stays: `Piece ${pieces.get(pieceId)?.code ?? ''} has not enough free line for it.`,
      };
  }
  for (const { pieceId, lengthMm, now } of wanted)
    free.set(pieceId, (free.get(pieceId) ?? 0) + lengthMm - now);
  return { replanned: { planInput, plan }, stays: '' };
}
