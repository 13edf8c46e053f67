import type { BagInHand } from '@yard-spool/contract';
import { howUrgent, timeLeft, type Urgency } from './how-urgent';
import { inHand } from './in-hand';

/** How a bag stands, in a word or two, and how urgent that makes it. */
export interface Standing {
  readonly urgency: Urgency;
  readonly urgent: boolean;
  readonly words: string;
}

/**
 * How a bag stands: what the day's order has in hand for it, or the time until its promise where it is not in the order.
 *
 * @param planned the bag in the day's order
 */
export function standingOf(promisedAt: string, planned: BagInHand | undefined): Standing {
  const byPromise = howUrgent(promisedAt);
  if (!planned) {
    const urgent = byPromise === 'late' || byPromise === 'today';
    return { urgency: byPromise, urgent, words: timeLeft(promisedAt) };
  }
  const { state, words } = inHand(planned);
  const urgency = state === 'late' ? 'late' : state === 'unsure' ? 'today' : byPromise;
  if (state === 'late')
    return { urgency, urgent: true, words: byPromise === 'late' ? words : `will be ${words}` };
  return { urgency, urgent: urgency === 'today', words: `${words} in hand` };
}
