import type { RunEvent } from './run-event';
import type { RunStep } from './run-steps';

/** A depth as it was read during the run. */
export interface DepthReading {
  readonly after: string;
  readonly depth: number;
  readonly by: 'calliper' | 'eye';
}

/** Where a run stands. Folded from its events; the same in the browser, on the server and in tests. */
export interface RunState {
  readonly steps: readonly RunStep[];
  readonly done: ReadonlySet<string>;
  /** The step to do now; null when all are done. */
  readonly current: RunStep | null;
  /** Handle turns counted on each layer. */
  readonly turns: Readonly<Record<string, number>>;
  readonly depths: readonly DepthReading[];
  readonly bench: string | null;
  readonly closed: boolean;
  /** The last event's place in the log; 0 before the first. */
  readonly seq: number;
  /** The latest event that can be taken back. */
  readonly undoable: RunEvent | null;
}

interface Draft {
  done: Set<string>;
  turns: Record<string, number>;
  depths: DepthReading[];
  bench: string | null;
  closed: boolean;
}

/**
 * Folds a run's log into its state. Events count once each (by id) in order of `seq`; an event that was taken back
 * is passed over as if it had not been.
 *
 * @throws nothing: an event that says something about an unknown layer or step simply has no effect on the rest
 */
export function foldRun(steps: readonly RunStep[], events: readonly RunEvent[]): RunState {
  const log = inOrder(events);
  const undone = new Set(log.flatMap((event) => (event.kind === 'undone' ? [event.payload.event] : [])));
  const standing = log.filter((event) => !undone.has(event.id) && event.kind !== 'undone');
  const draft: Draft = { done: new Set(), turns: {}, depths: [], bench: null, closed: false };
  for (const event of standing) apply(draft, event);
  return {
    ...draft,
    steps,
    current: steps.find(({ id }) => !draft.done.has(id)) ?? null,
    seq: log.at(-1)?.seq ?? 0,
    undoable: standing.findLast(({ kind }) => kind !== 'started' && kind !== 'closed') ?? null,
  };
}

function apply(draft: Draft, event: RunEvent): void {
  switch (event.kind) {
    case 'started':
      draft.bench = event.payload.bench;
      break;
    case 'step-done':
      draft.done.add(event.payload.step);
      break;
    case 'turns':
      draft.turns[event.payload.layer] = Math.max(
        0,
        (draft.turns[event.payload.layer] ?? 0) + event.payload.turns,
      );
      break;
    case 'count-set':
      draft.turns[event.payload.layer] = event.payload.turns;
      break;
    case 'depth-read':
      draft.depths.push(event.payload);
      break;
    case 'closed':
      draft.closed = true;
      break;
    case 'undone':
      break;
  }
}

/** Once each, in order. */
function inOrder(events: readonly RunEvent[]): RunEvent[] {
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort((a, b) => a.seq - b.seq);
}
