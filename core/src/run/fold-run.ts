import { emptyDraft, type Draft } from './draft';
import { foldCount, type Counting } from './fold-counts';
import type { RunEvent } from './run-event';
import { bounded, isWithin } from '../numeric/bounded';
import type { Chosen, DepthReading, RunState } from './run-state';
import { runSteps, type RunFacts } from './run-steps';
import { snapshot } from './segments';

/** Kinds that nobody takes back: they say who and where, not what. */
const STAYS = new Set<RunEvent['kind']>(['started', 'taken-up', 'closed', 'reopened', 'device-at', 'undone']);

/**
 * Folds a run's log into its state. Events count once each (by id, wherever it stands again) in order of `seq`; an event
 * that was taken back is passed over as if it had not been, and counts again where the taking back was itself taken back.
 *
 * @throws nothing: an event that says something about an unknown layer or step simply has no effect on the rest
 */
export function foldRun(facts: RunFacts, events: readonly RunEvent[]): RunState {
  const log = inOrder(events);
  const standing = withoutUndone(log);
  const draft = emptyDraft();
  for (const event of standing) {
    inHandsOf(draft, event);
    apply(draft, event, facts);
  }
  const ways = Object.fromEntries(Object.entries(draft.supplies).map(([layer, { way }]) => [layer, way]));
  const steps = runSteps(facts, ways);
  return {
    ...draft,
    turns: atLeastZero(draft.turns),
    metres: atLeastZero(draft.metres),
    steps,
    current: steps.find(({ id }) => !draft.done.has(id)) ?? null,
    seq: log.at(-1)?.seq ?? 0,
    undoable: standing.findLast((event) => !STAYS.has(event.kind) && !byDevice(event)) ?? null,
  };
}

/** What stands of a log. An undoing comes behind what it undoes, so the last ones are settled first. */
function withoutUndone(log: readonly RunEvent[]): readonly RunEvent[] {
  const undone = new Set<string>();
  for (let i = log.length - 1; i >= 0; i -= 1) {
    const event = log[i];
    if (event?.kind === 'undone' && !undone.has(event.id)) undone.add(event.payload.event);
  }
  return undone.size === 0 ? log : log.filter(({ id, kind }) => !undone.has(id) && kind !== 'undone');
}

/** A count that was turned back below zero shows zero, and is as far below as it was turned. */
const atLeastZero = (counts: Readonly<Record<string, number>>): Record<string, number> =>
  Object.fromEntries(Object.entries(counts).map(([layer, count]) => [layer, Math.max(0, count)]));

/** What a device counted: nobody's doing, and put right by setting the count, since it would be credited again. */
const byDevice = ({ kind, payload }: RunEvent): boolean =>
  kind === 'device-at' || ((kind === 'turns' || kind === 'metres') && payload.device !== undefined);

/** Whoever does something at a run has it from then on. */
function inHandsOf({ hands }: Draft, event: RunEvent): void {
  if (!byDevice(event) && event.by !== '' && hands.at(-1) !== event.by) hands.push(event.by);
}

function apply(draft: Draft, event: RunEvent, facts: RunFacts): void {
  switch (event.kind) {
    case 'started':
    case 'taken-up':
      draft.bench = event.payload.bench;
      break;
    case 'step-done':
    case 'step-skipped':
      endStep(draft, event, facts);
      break;
    case 'step-again':
      for (const step of event.payload.steps) {
        draft.done.delete(step);
        draft.skipped.delete(step);
        // What was written down of a step that is done again is written down again.
        Reflect.deleteProperty(draft.notes, step);
      }
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
      foldCount(draft, event, facts);
      break;
    default:
      look(draft, event);
  }
}

function endStep(
  draft: Draft,
  event: Extract<RunEvent, { kind: 'step-done' | 'step-skipped' }>,
  { request }: RunFacts,
): void {
  const { step } = event.payload;
  draft.done.add(step);
  draft.counting.clear();
  if (event.kind === 'step-skipped') draft.skipped.add(step);
  const layer = request.layers.find(({ id }) => step === `wind-${id}`)?.id;
  if (event.kind !== 'step-done' || layer === undefined) return;
  draft.byEye[event.payload.by === 'eye' ? 'add' : 'delete'](layer);
  draft.usedUp[event.payload.usedUp ? 'add' : 'delete'](layer);
}

type Looking = Exclude<
  RunEvent,
  | Counting
  | {
      kind: 'started' | 'taken-up' | 'step-done' | 'step-skipped' | 'step-again' | 'closed' | 'reopened';
    }
>;

/** Depths below the lip a reading can have, mm. */
const DEPTHS = [-5, 80] as const;

const soundly = <K extends string>(name: K, value: number | undefined, least: number, most: number) =>
  (value === undefined ? {} : { [name]: bounded(value, least, most) }) as Partial<Record<K, number>>;

function readDepth(draft: Draft, read: Omit<DepthReading, 'wound'>): void {
  if (isWithin(read.depth, ...DEPTHS)) draft.depths.push({ ...read, wound: snapshot(draft.wound) });
}

function hold(draft: Draft, { on, device, count }: Extract<RunEvent, { kind: 'held' }>['payload']): void {
  draft.held = on;
  draft.heldAt = on && device !== undefined && count !== undefined ? { [device]: count } : {};
}

/** A choice with a gap or a length nobody can have meant is passed over. */
function chose(draft: Draft, chosen: Chosen): void {
  const { gap = 0, length = 0 } = chosen;
  if (isWithin(gap, -5, 60) && isWithin(length, 0, 5000)) draft.chosen.push(chosen);
}

/** Events that say what was seen, chosen or written down. */
function look(draft: Draft, event: Looking): void {
  switch (event.kind) {
    case 'depth-read':
      readDepth(draft, event.payload);
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
      draft.tensions.push({ ...event.payload, ...soundly('wound', event.payload.wound, 0, 20_000) });
      break;
    case 'chosen':
      chose(draft, event.payload);
      break;
    case 'settled':
      draft.settlings.push(event.payload);
      break;
    case 'held':
      hold(draft, event.payload);
      break;
    case 'noted':
      draft.notes[event.payload.step] = { ...draft.notes[event.payload.step], ...event.payload.values };
      break;
    case 'undone':
      break;
  }
}

/** Once each, in order. A log as it is kept has strictly rising places and no id twice, and is taken as it is. */
function inOrder(events: readonly RunEvent[]): readonly RunEvent[] {
  const ids = new Set<string>();
  let [last, rising] = [-Infinity, true];
  for (const { id, seq } of events) {
    ids.add(id);
    rising &&= seq > last;
    last = seq;
  }
  if (rising && ids.size === events.length) return events;
  const once = new Map<string, RunEvent>();
  for (const event of events) {
    const there = once.get(event.id);
    if (!there || event.seq < there.seq) once.set(event.id, event);
  }
  return [...once.values()].sort((a, b) => a.seq - b.seq);
}
