import { applyEvent, byDevice } from './apply-event';
import { hasTrait } from './event-traits';
import { emptyDraft, record, type Draft } from './draft';
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
  draft: Draft;
  undoable: RunEvent | null;
}

/** The fold of an empty log. */
export const beginFold = (facts: RunFacts): RunFold => ({
  facts,
  log: [],
  draft: emptyDraft(facts),
  undoable: null,
});

/**
 * Goes on with events in order of their places, each behind the last that was folded. One that takes another back, or
 * takes back a taking back, has the whole log folded again without what no longer stands: that is rare.
 */
export function foldOn(fold: RunFold, events: readonly RunEvent[]): void {
  for (const event of events) fold.log.push(event);
  if (!events.some(({ kind }) => kind === 'undone')) {
    for (const event of events) standing(fold, event);
    return;
  }
  fold.draft = emptyDraft(fold.facts);
  fold.undoable = null;
  for (const event of withoutUndone(fold.log)) standing(fold, event);
}

function standing(fold: RunFold, event: RunEvent): void {
  applyEvent(fold.draft, event, fold.facts);
  if (hasTrait(event, 'undoneBy', 'undone') && !byDevice(event)) fold.undoable = event;
}

/** The state a fold has come to, apart from what is folded later. */
export const stateOf = ({ draft, facts, log, undoable }: RunFold): RunState =>
  stateFrom(copyOf(draft), facts, log.at(-1)?.seq ?? 0, undoable);

/** The state as one more event would make it, without folding that event. It takes nothing back. */
export function stateWith({ draft, facts, undoable }: RunFold, event: RunEvent): RunState {
  const next = copyOf(draft);
  applyEvent(next, event, facts);
  return stateFrom(next, facts, event.seq, undoable);
}

function stateFrom(draft: Draft, facts: RunFacts, seq: number, undoable: RunEvent | null): RunState {
  const ways = Object.fromEntries(Object.entries(draft.supplies).map(([layer, { way }]) => [layer, way]));
  const steps = runSteps(factsNow(facts, draft), ways);
  return {
    ...draft,
    turns: atLeastZero(draft.turns),
    metres: atLeastZero(draft.metres),
    steps,
    current: steps.find(({ id }) => !draft.done.has(id)) ?? null,
    seq,
    undoable,
  };
}

const own = <T>(entries: Readonly<Record<string, T>>): Record<string, T> =>
  Object.assign(record<T>(), entries);

const copyOf = (draft: Draft): Draft => ({
  ...draft,
  done: new Set(draft.done),
  skipped: new Set(draft.skipped),
  usedUp: new Set(draft.usedUp),
  counting: new Set(draft.counting),
  byDevice: new Set(draft.byDevice),
  turns: own(draft.turns),
  metres: own(draft.metres),
  wound: snapshot(draft.wound) as Draft['wound'],
  devices: own(draft.devices),
  creditedTo: own(draft.creditedTo),
  unheard: own(draft.unheard),
  settledAt: own(draft.settledAt),
  worth: own(draft.worth),
  supplies: own(draft.supplies),
  notes: own(draft.notes),
  depths: [...draft.depths],
  slacks: [...draft.slacks],
  lays: [...draft.lays],
  tensions: [...draft.tensions],
  walks: [...draft.walks],
  restarts: [...draft.restarts],
  chosen: [...draft.chosen],
  stretches: [...draft.stretches],
  pieces: [...draft.pieces],
  lines: own(draft.lines),
  settlings: [...draft.settlings],
  hands: [...draft.hands],
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
