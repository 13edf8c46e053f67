import { applyEvent, byDevice } from './apply-event';
import { hasTrait } from './event-traits';
import { emptyState, record, type MutableState } from './mutable-state';
import type { RunEvent } from './run-event';
import type { RunState } from './run-state';
import { factsNow } from './facts-now';
import { runSteps } from './run-steps';
import type { RunFacts } from '../steps/run-facts';
import { snapshot } from '../plan/segments';

/** A run's log being folded. It goes on from where it is: what one more event costs does not depend on the log's length. */
export interface RunFold {
  readonly facts: RunFacts;
  readonly log: RunEvent[];
  state: MutableState;
  undoable: RunEvent | null;
}

/** The fold of an empty log. */
export const beginFold = (facts: RunFacts): RunFold => ({
  facts,
  log: [],
  state: emptyState(facts),
  undoable: null,
});

/**
 * Goes on with events in order of their places, each behind the last that was folded. One that takes another back, or
 * takes back a taking back, has the whole log folded again without what no longer stands: that is rare.
 */
export function foldOn(fold: RunFold, events: readonly RunEvent[]): void {
  for (const event of events) fold.log.push(event);
  if (!events.some(({ kind }) => kind === 'undone')) {
    for (const event of events) apply(fold, event);
    return;
  }
  fold.state = emptyState(fold.facts);
  fold.undoable = null;
  for (const event of withoutUndone(fold.log)) apply(fold, event);
}

function apply(fold: RunFold, event: RunEvent): void {
  applyEvent(fold.state, event, fold.facts);
  if (hasTrait(event, 'undoneBy', 'undone') && !byDevice(event)) fold.undoable = event;
}

/** The state a fold has come to, apart from what is folded later. */
export const stateOf = ({ state, facts, log, undoable }: RunFold): RunState =>
  stateFrom(copyOf(state), facts, log.at(-1)?.seq ?? 0, undoable);

/** The state as one more event would make it, without folding that event. It takes nothing back. */
export function stateWith({ state, facts, undoable }: RunFold, event: RunEvent): RunState {
  const next = copyOf(state);
  applyEvent(next, event, facts);
  return stateFrom(next, facts, event.seq, undoable);
}

function stateFrom(state: MutableState, facts: RunFacts, seq: number, undoable: RunEvent | null): RunState {
  const ways = Object.fromEntries(Object.entries(state.supplies).map(([layer, { way }]) => [layer, way]));
  const steps = runSteps(factsNow(facts, state), ways);
  return {
    ...state,
    turns: atLeastZero(state.turns),
    metres: atLeastZero(state.metres),
    steps,
    current: steps.find(({ id }) => !state.done.has(id)) ?? null,
    seq,
    undoable,
  };
}

const own = <T>(entries: Readonly<Record<string, T>>): Record<string, T> =>
  Object.assign(record<T>(), entries);

const copyOf = (state: MutableState): MutableState => ({
  ...state,
  done: new Set(state.done),
  skipped: new Set(state.skipped),
  usedUp: new Set(state.usedUp),
  counting: new Set(state.counting),
  byDevice: new Set(state.byDevice),
  turns: own(state.turns),
  metres: own(state.metres),
  wound: snapshot(state.wound) as MutableState['wound'],
  devices: own(state.devices),
  called: own(state.called),
  heldAt: own(state.heldAt),
  creditedTo: own(state.creditedTo),
  unheard: own(state.unheard),
  answeredAt: own(state.answeredAt),
  answeredIn: own(state.answeredIn),
  worth: own(state.worth),
  supplies: own(state.supplies),
  notes: own(state.notes),
  depths: [...state.depths],
  slacks: [...state.slacks],
  lays: [...state.lays],
  tensions: [...state.tensions],
  walks: [...state.walks],
  restarts: [...state.restarts],
  chosen: [...state.chosen],
  stretches: [...state.stretches],
  pieces: [...state.pieces],
  lines: own(state.lines),
  settlings: [...state.settlings],
  hands: [...state.hands],
});

/**
 * Folds a run's log into its state. Events count once each (by id, wherever it stands again) in order of `seq`; an event
 * that was taken back is passed over as if it had not been, and counts again where the taking back was itself taken back.
 *
 * @throws nothing: an event that says something about an unknown layer or step simply has no effect on the rest
 */
export function foldRun(facts: RunFacts, events: readonly RunEvent[]): RunState {
  const fold = beginFold(facts);
  foldOn(fold, inOrder(events));
  return stateOf(fold);
}

/** The events of a log that stand, in order: what was taken back is left out, and so is the taking back. */
export const standingOf = (events: readonly RunEvent[]): readonly RunEvent[] =>
  withoutUndone(inOrder(events));

/** What stands of a log. An undoing comes behind what it undoes, so the last ones are settled first. */
function withoutUndone(log: readonly RunEvent[]): readonly RunEvent[] {
  const undone = new Set<string>();
  for (let i = log.length - 1; i >= 0; i -= 1) {
    const event = log[i];
    if (event?.kind === 'undone' && !undone.has(event.id)) undone.add(event.payload.event);
  }
  return log.flatMap((event) => {
    if (event.kind === 'undone') return [];
    return undone.has(event.id) ? stillSeen(event) : [event];
  });
}

/** What was done is taken back; what the counter stood at when it was done is not: turns before it stay where they were. */
function stillSeen(event: RunEvent): readonly RunEvent[] {
  const seen = 'seen' in event.payload ? event.payload.seen : undefined;
  if (!seen || seen.unheard || event.kind === 'turns') return [];
  return [{ ...event, kind: 'device-at', payload: { device: seen.device, count: seen.count } }];
}

/** A count that was turned back below zero shows zero, and is as far below as it was turned. */
const atLeastZero = (counts: Readonly<Record<string, number>>): Record<string, number> =>
  Object.fromEntries(Object.entries(counts).map(([layer, count]) => [layer, Math.max(0, count)]));

/** Once each, in order. A log as it is kept has strictly rising places and no id twice, and is taken as it is. */
function inOrder(events: readonly RunEvent[]): readonly RunEvent[] {
  const ids = new Set<string>();
  let last = -Infinity;
  let rising = true;
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
