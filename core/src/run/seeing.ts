import type { RunFacts } from '../steps/run-facts';
import { creditCount, type CountingDevice, type OddCount } from './credit-count';
import { EVENT_TRAITS } from './event-traits';
import type { RunHappening, SeenCount } from './run-event';
import type { RunState } from './run-state';
import { gearAt } from './winder';

/** What a bench is told of its counter. */
export interface CounterFrame {
  /** Taken: it counts another reel. */
  readonly link: 'up' | 'silent' | 'away' | 'taken';
  readonly count: number | null;
  readonly odd: OddCount | null;
}

/** A bench's counter, and the run as the technician sees both. */
export interface CountersNow {
  readonly device: CountingDevice | null;
  readonly frame: CounterFrame | null;
  /** Whether it is heard now: its link is up, and so is this page's. */
  readonly heard: boolean;
  readonly facts: RunFacts;
  readonly state: RunState;
}

/**
 * What the counter went on by that the log does not have yet, as it was last seen: that stands, whether it is heard now or
 * not. Null where there is nothing, or it has to be asked.
 */
export function countedSince({ device, frame, facts, state }: CountersNow): RunHappening | null {
  if (!device || frame?.count == null || frame.odd || frame.link === 'taken') return null;
  if (state.unheard[device.name]) return null;
  const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
  const { happening } = creditCount(device, state, frame.count, { gear });
  return happening?.kind === 'turns' || happening?.kind === 'metres' ? happening : null;
}

/**
 * What is written down when something is done at the bench: what its counter went on by up to then, and with whatever
 * begins or ends a layer where the counter stood. Where it cannot be heard, what was seen of it last.
 */
export function withCounters(happening: RunHappening, sight: CountersNow): RunHappening[] {
  const seen = seenNow(sight);
  if (!seen) return [happening];
  const noted = hasSeen(happening, seen, sight);
  const own = noted ? [noting(happening, seen)] : [happening];
  const before = EVENT_TRAITS[happening.kind].alone && !noted ? null : countedSince(sight);
  return before ? [before, ...own] : own;
}

function seenNow(sight: CountersNow): SeenCount | null {
  const { device, frame, heard, state } = sight;
  if (!device || frame?.link === 'taken') return null;
  const last = state.devices[device.name];
  const shown = frame?.count ?? undefined;
  const asked = isAsked(sight, device.name);
  const count = asked ? (last ?? shown) : (shown ?? last);
  if (count === undefined) return null;
  return { device: device.name, count, ...(heard && !asked ? {} : { unheard: true }) };
}

/** Whether its count waits for an answer. One that was given here and not heard of yet stands. */
const isAsked = ({ frame, state }: CountersNow, name: string): boolean =>
  state.unheard[name] !== undefined || (frame?.odd != null && frame.count !== state.devices[name]);

function hasSeen(happening: RunHappening, { unheard }: SeenCount, { state }: CountersNow): boolean {
  switch (happening.kind) {
    case 'step-done':
    case 'step-skipped': {
      const at = state.steps.findIndex(({ id }) => id === happening.payload.step);
      return [state.steps[at], state.steps[at + 1]].some((step) => step?.kind === 'wind');
    }
    case 'turns':
      return unheard === true && happening.payload.device === undefined;
    case 'step-again':
    case 'taken-up':
    case 'moving':
    case 'restarted':
    case 'count-set':
      return true;
    default:
      return false;
  }
}

const noting = (happening: RunHappening, seen: SeenCount): RunHappening =>
  ({ ...happening, payload: { ...happening.payload, seen } }) as RunHappening;
