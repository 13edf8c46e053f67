import type { CounterAtBench, Device } from '@yard-spool/contract';
import {
  creditCount,
  gearAt,
  type RunEvent,
  type RunFacts,
  type RunHappening,
  type RunState,
  type SeenCount,
} from '@yard-spool/core';

/** A bench's counter, and the run as the technician sees both. */
export interface Sight {
  readonly device: Device | null;
  readonly frame: CounterAtBench | null;
  /** Whether it is heard now: its link is up, and so is this page's. */
  readonly heard: boolean;
  readonly facts: RunFacts;
  readonly state: RunState;
}

/** What the counter went on by that the log does not have yet; null where there is nothing, or it has to be asked. */
export function goneOn({ device, frame, heard, facts, state }: Sight): RunHappening | null {
  if (!device || !heard || frame?.count == null || frame.odd) return null;
  const gear = gearAt(facts.request, state.supplies, state.current?.layer ?? '');
  const { happening } = creditCount(device, state, frame.count, { gear });
  return happening?.kind === 'turns' || happening?.kind === 'metres' ? happening : null;
}

/** What is only said, or counts for itself: nothing of the counter is written down before it. */
const ALONE = new Set<RunEvent['kind']>(['turns', 'metres', 'device-at', 'undone']);

/**
 * What is written down when something is done at the bench: what its counter went on by up to then, and with whatever
 * begins or ends a layer where the counter stood. Where it cannot be heard, what was seen of it last.
 */
export function withSeen(happening: RunHappening, sight: Sight): RunHappening[] {
  const seen = seenNow(sight);
  if (!seen) return [happening];
  const before = ALONE.has(happening.kind) ? null : goneOn(sight);
  const own = hasSeen(happening, seen, sight) ? [noting(happening, seen)] : [happening];
  return before ? [before, ...own] : own;
}

function seenNow({ device, frame, heard, state }: Sight): SeenCount | null {
  if (!device || frame?.link === 'taken') return null;
  const last = state.devices[device.name];
  const asked = frame?.odd != null || state.unheard[device.name] !== undefined;
  const shown = frame?.count ?? undefined;
  const count = asked ? (last ?? shown) : (shown ?? last);
  if (count === undefined) return null;
  return { device: device.name, count, ...(heard && !asked ? {} : { unheard: true }) };
}

function hasSeen(happening: RunHappening, { unheard }: SeenCount, { state }: Sight): boolean {
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
