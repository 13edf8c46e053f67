import type { OddCount } from '../run/credit-count';
import type { BenchCounterState, LinkState } from './bench-counter';
import type { Heard } from './heard';

/** What of a doubt is told beside the count: where it stood behind its last jump, and how far the log was when it was asked. */
interface ShownDoubt {
  readonly since?: number;
  readonly from?: number;
}

/** A counter as a run is told of it. */
interface ShownCounter extends ShownDoubt {
  readonly link: LinkState | 'taken';
  readonly count: number | null;
  readonly unclaimed: number;
  readonly odd: OddCount | null;
}

/** What whoever watches a run is told of the counter: as it stands, or that it counts for another run. */
export function shownTo(state: BenchCounterState, runId: number): ShownCounter {
  if (runId !== state.runId) return { link: 'taken', count: null, unclaimed: 0, odd: null };
  const { link, heard, creditDue, unclaimed } = state;
  // What is not credited yet goes before a doubt of what came later.
  if (creditDue !== null) return { link, count: creditDue, unclaimed, odd: state.odd };
  const odd = heard?.doubt ?? state.odd;
  return { link, count: heard?.count ?? null, unclaimed, odd, ...(heard?.doubt ? shownDoubt(heard) : {}) };
}

const shownDoubt = ({ doubt, since, logged }: Heard): ShownDoubt => ({
  ...(doubt === 'jumped' && since !== undefined ? { since } : {}),
  ...(logged === undefined ? {} : { from: logged }),
});
