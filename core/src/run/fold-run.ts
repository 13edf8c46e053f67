import type { LayReading, WasherAction } from '../lay/lay-advice';
import type { NoteValue, RunEvent, SeenTurn, SupplyWayAtBench, TooLongChoice } from './run-event';
import { runSteps, type RunFacts, type RunStep } from './run-steps';

/** A depth as it was read during the run, with the counts it was read at. */
export interface DepthReading {
  readonly after: string;
  readonly depth: number;
  readonly by: 'calliper' | 'eye';
  readonly counted: Counted;
}

/** Handle turns and, where a line meter counted, metres on each layer. */
export interface Counted {
  readonly turns: Readonly<Record<string, number>>;
  readonly metres: Readonly<Record<string, number>>;
}

/** How a supply stands, with both rotations as seen. */
export interface SupplySeen {
  readonly way: SupplyWayAtBench;
  readonly supplyTurns: SeenTurn | null;
  readonly reelTurns: SeenTurn | null;
}

/** A slack metre as read. */
export interface SlackSeen {
  readonly layer: string;
  readonly pinched: number;
  readonly plyTurns: number;
  readonly wound: number;
}

/** A look at the lay, and what was done about it. */
export interface LaySeen extends LayReading {
  readonly layer: string;
  readonly did: WasherAction;
  readonly wound: number;
}

/** What was chosen where the main is too long for what is left. */
export interface Chosen {
  readonly layer: string;
  readonly how: TooLongChoice;
  readonly gap?: number;
  readonly length?: number;
}

/** Where a run stands. Folded from its events; the same in the browser, on the server and in tests. */
export interface RunState extends Counted {
  readonly steps: readonly RunStep[];
  readonly done: ReadonlySet<string>;
  readonly skipped: ReadonlySet<string>;
  /** The step to do now; null when all are done. */
  readonly current: RunStep | null;
  /** Whether the count is held: a device's turns are not credited. */
  readonly held: boolean;
  /** The count each device stood at when it was held. */
  readonly heldAt: Readonly<Record<string, number>>;
  /** The count each device stood at when it was last credited or passed over. */
  readonly devices: Readonly<Record<string, number>>;
  /** Devices whose count was written down since the current step began. */
  readonly counting: ReadonlySet<string>;
  readonly depths: readonly DepthReading[];
  readonly supplies: Readonly<Record<string, SupplySeen>>;
  readonly slacks: readonly SlackSeen[];
  readonly lays: readonly LaySeen[];
  readonly tensions: readonly { readonly layer: string; readonly holds: boolean }[];
  readonly restarts: readonly { readonly layer: string; readonly why: string }[];
  readonly chosen: readonly Chosen[];
  /** What was written down, by step. */
  readonly notes: Readonly<Record<string, Readonly<Record<string, NoteValue>>>>;
  readonly bench: string | null;
  /** Who has had it, in order, each once in a row. */
  readonly hands: readonly string[];
  readonly closed: boolean;
  /** The last event's place in the log; 0 before the first. */
  readonly seq: number;
  /** The latest event that can be taken back. */
  readonly undoable: RunEvent | null;
}

interface Draft {
  done: Set<string>;
  skipped: Set<string>;
  turns: Record<string, number>;
  metres: Record<string, number>;
  held: boolean;
  heldAt: Record<string, number>;
  devices: Record<string, number>;
  counting: Set<string>;
  depths: DepthReading[];
  supplies: Record<string, SupplySeen>;
  slacks: SlackSeen[];
  lays: LaySeen[];
  tensions: { layer: string; holds: boolean }[];
  restarts: { layer: string; why: string }[];
  chosen: Chosen[];
  notes: Record<string, Record<string, NoteValue>>;
  bench: string | null;
  hands: string[];
  closed: boolean;
}

const emptyDraft = (): Draft => ({
  ...{
    done: new Set(),
    skipped: new Set(),
    turns: {},
    metres: {},
    held: false,
    heldAt: {},
    devices: {},
    counting: new Set(),
  },
  ...{ depths: [], supplies: {}, slacks: [], lays: [], tensions: [], restarts: [], chosen: [] },
  ...{ notes: {}, bench: null, hands: [], closed: false },
});

/** Kinds that nobody takes back: they say who and where, not what. */
const STAYS = new Set<RunEvent['kind']>(['started', 'taken-up', 'closed', 'reopened', 'device-at']);

/**
 * Folds a run's log into its state. Events count once each (by id) in order of `seq`; an event that was taken back
 * is passed over as if it had not been.
 *
 * @throws nothing: an event that says something about an unknown layer or step simply has no effect on the rest
 */
export function foldRun(facts: RunFacts, events: readonly RunEvent[]): RunState {
  const log = inOrder(events);
  const undone = new Set<string>();
  for (const event of log) if (event.kind === 'undone') undone.add(event.payload.event);
  const standing =
    undone.size === 0 ? log : log.filter(({ id, kind }) => !undone.has(id) && kind !== 'undone');
  const draft = emptyDraft();
  for (const event of standing) {
    inHandsOf(draft, event);
    apply(draft, event);
  }
  const ways = Object.fromEntries(Object.entries(draft.supplies).map(([layer, { way }]) => [layer, way]));
  const steps = runSteps(facts, ways);
  return {
    ...draft,
    steps,
    current: steps.find(({ id }) => !draft.done.has(id)) ?? null,
    seq: log.at(-1)?.seq ?? 0,
    undoable: standing.findLast((event) => !STAYS.has(event.kind) && !byDevice(event)) ?? null,
  };
}

/** What a device counted: nobody's doing, and put right by setting the count, since it would be credited again. */
const byDevice = ({ kind, payload }: RunEvent): boolean =>
  kind === 'device-at' || kind === 'metres' || (kind === 'turns' && payload.device !== undefined);

/** Whoever does something at a run has it from then on. */
function inHandsOf({ hands }: Draft, event: RunEvent): void {
  if (!byDevice(event) && event.by !== '' && hands.at(-1) !== event.by) hands.push(event.by);
}

function apply(draft: Draft, event: RunEvent): void {
  switch (event.kind) {
    case 'started':
    case 'taken-up':
      draft.bench = event.payload.bench;
      break;
    case 'step-done':
    case 'step-skipped':
      draft.done.add(event.payload.step);
      draft.counting.clear();
      if (event.kind === 'step-skipped') draft.skipped.add(event.payload.step);
      break;
    case 'closed':
    case 'reopened':
      draft.closed = event.kind === 'closed';
      break;
    case 'turns':
    case 'metres':
    case 'count-set':
    case 'device-at':
    case 'restarted':
      count(draft, event);
      break;
    default:
      look(draft, event);
  }
}

type Counting = Extract<RunEvent, { kind: 'turns' | 'metres' | 'count-set' | 'device-at' | 'restarted' }>;

/** A device's count, written down. */
function stands(draft: Draft, device: string, count: number): void {
  draft.devices[device] = count;
  draft.counting.add(device);
}

/** Events that move a count. */
function count(draft: Draft, event: Counting): void {
  switch (event.kind) {
    case 'turns': {
      const { layer, turns, device, count: at } = event.payload;
      draft.turns[layer] = Math.max(0, (draft.turns[layer] ?? 0) + turns);
      if (device !== undefined && at !== undefined) stands(draft, device, at);
      break;
    }
    case 'metres': {
      const { layer, metres, device, count: at } = event.payload;
      draft.metres[layer] = Math.max(0, (draft.metres[layer] ?? 0) + metres);
      stands(draft, device, at);
      break;
    }
    case 'count-set':
      draft.turns[event.payload.layer] = event.payload.turns;
      // Somebody's own count goes before a meter's.
      Reflect.deleteProperty(draft.metres, event.payload.layer);
      break;
    case 'device-at':
      stands(draft, event.payload.device, event.payload.count);
      break;
    case 'restarted': {
      const { layer, why } = event.payload;
      draft.turns[layer] = 0;
      Reflect.deleteProperty(draft.metres, layer);
      draft.restarts.push({ layer, why });
      // What was seen of the layer was stripped with it. What was said of the supply stays: turned over because the
      // slack metre spoke against it, it stands now as it was said to.
      draft.slacks = draft.slacks.filter((one) => one.layer !== layer);
      draft.lays = draft.lays.filter((one) => one.layer !== layer);
      draft.depths = draft.depths.filter(({ after }) => after !== layer);
      break;
    }
  }
}

type Looking = Exclude<
  RunEvent,
  Counting | { kind: 'started' | 'taken-up' | 'step-done' | 'step-skipped' | 'closed' | 'reopened' }
>;

/** Events that say what was seen, chosen or written down. */
function look(draft: Draft, event: Looking): void {
  switch (event.kind) {
    case 'depth-read':
      draft.depths.push({
        ...event.payload,
        counted: { turns: { ...draft.turns }, metres: { ...draft.metres } },
      });
      break;
    case 'supply': {
      const { layer, ...seen } = event.payload;
      draft.supplies[layer] = seen;
      break;
    }
    case 'slack-read':
      draft.slacks.push(event.payload);
      break;
    case 'lay-read':
      draft.lays.push(event.payload);
      break;
    case 'tension-read':
      draft.tensions.push(event.payload);
      break;
    case 'chosen':
      draft.chosen.push(event.payload);
      break;
    case 'held': {
      const { on, device, count: at } = event.payload;
      draft.held = on;
      draft.heldAt = on && device !== undefined && at !== undefined ? { [device]: at } : {};
      break;
    }
    case 'noted':
      draft.notes[event.payload.step] = { ...draft.notes[event.payload.step], ...event.payload.values };
      break;
    case 'undone':
      break;
  }
}

/** Once each, in order. A log as it is kept has strictly rising places already, and is taken as it is. */
function inOrder(events: readonly RunEvent[]): readonly RunEvent[] {
  if (events.every(({ seq }, i) => i === 0 || seq > (events[i - 1]?.seq ?? 0))) return events;
  const once = new Map(events.map((event) => [event.id, event]));
  return [...once.values()].sort((a, b) => a.seq - b.seq);
}
