import { WALK_RANGE } from '../counter/counter-match';
import { bounded, isWithin } from '../numeric/bounded';
import type { MutableState } from './mutable-state';
import { hasTrait, type KindsWith } from './event-traits';
import { foldCount } from './fold-counts';
import { breaksStretch, foldMark } from './fold-mark';
import { correct } from './correct';
import { inNamesOfNow } from './device-names';
import { readDepth } from './read-depth';
import type { AtBench, RunEvent } from './run-event';
import type { Chosen } from './run-state';
import { stepId, type RunFacts } from '../steps/run-facts';
import { snapshot } from '../plan/segments';
import { takePiece } from './take-piece';
import { noteSeen } from './unheard';

/** What a device counted: nobody's doing, and put right by setting the count, since it would be credited again. */
export const byDevice = ({ kind, payload }: RunEvent): boolean =>
  kind === 'device-at' ||
  kind === 'metered' ||
  ((kind === 'turns' || kind === 'metres') && payload.device !== undefined);

/** Whether somebody did it at the bench: no device, and nobody who put the record right afterwards. */
const isAtTheBench = (event: RunEvent): boolean => !byDevice(event) && event.kind !== 'corrected';

/** Whoever does something at a run has it from then on. */
function inHandsOf({ hands }: MutableState, event: RunEvent): void {
  if (isAtTheBench(event) && event.by !== '' && hands.at(-1) !== event.by) hands.push(event.by);
}

/** Whoever does something at a run that was put aside has taken it up. */
function takenUpAgain(state: MutableState, event: RunEvent): void {
  if (isAtTheBench(event)) state.aside = false;
}

/** What one event does to a run's state. An event about an unknown layer or step has no effect on the rest. */
export function applyEvent(state: MutableState, told: RunEvent, facts: RunFacts): void {
  const event = inNamesOfNow(told, state.called);
  state.place = event.seq;
  inHandsOf(state, event);
  takenUpAgain(state, event);
  if (breaksStretch(event)) state.mark = null;
  if (hasTrait(event, 'does', 'run')) ofTheRun(state, event);
  else if (hasTrait(event, 'does', 'step')) ofAStep(state, event, facts);
  else if (hasTrait(event, 'does', 'count')) foldCount(state, event, facts);
  else if (hasTrait(event, 'does', 'mark')) foldMark(state, event.payload);
  else if (hasTrait(event, 'does', 'record')) correct(state, event.payload);
  else if (hasTrait(event, 'does', 'look')) look(state, event);
}

function ofAStep(
  state: MutableState,
  event: Extract<RunEvent, { kind: KindsWith<'does', 'step'> }>,
  facts: RunFacts,
): void {
  if (event.kind === 'step-again') beginAgain(state, event.payload);
  else endStep(state, event, facts);
}

function beginAgain(
  state: MutableState,
  { steps, seen }: Extract<RunEvent, { kind: 'step-again' }>['payload'],
): void {
  for (const step of steps) {
    state.done.delete(step);
    state.skipped.delete(step);
    // What was written down of a step that is done again is written down again.
    Reflect.deleteProperty(state.notes, step);
  }
  noteSeen(state, seen);
}

type OfTheRun = Extract<RunEvent, { kind: KindsWith<'does', 'run'> }>;

/** Events of the run as a whole: where it stands, and whether it goes on. */
function ofTheRun(state: MutableState, event: OfTheRun): void {
  switch (event.kind) {
    case 'started':
    case 'taken-up':
      standsAt(state, event.payload);
      if ('seen' in event.payload) noteSeen(state, event.payload.seen);
      break;
    case 'put-aside':
      state.aside = true;
      break;
    case 'given-up':
      state.givenUp = true;
      break;
    default:
      state.closed = event.kind === 'closed';
  }
}

function standsAt(state: MutableState, { bench, benchId }: AtBench): void {
  state.bench = bench;
  state.benchId = benchId ?? null;
}

function endStep(
  state: MutableState,
  event: Extract<RunEvent, { kind: 'step-done' | 'step-skipped' }>,
  { request }: RunFacts,
): void {
  const { step } = event.payload;
  state.done.add(step);
  state.moving = false;
  state.counting.clear();
  if (event.kind === 'step-skipped') state.skipped.add(step);
  const layer = request.layers.find(({ id }) => step === stepId('wind', id))?.id;
  noteSeen(state, event.payload.seen, layer);
  if (event.kind !== 'step-done' || layer === undefined) return;
  // What was wound by eye once stays so, whatever is counted on top of it.
  if (event.payload.by === 'eye') state.byEye = withEye(state, layer, event.seq);
  state.usedUp[event.payload.usedUp ? 'add' : 'delete'](layer);
}

function withEye({ byEye, wound, chosen }: MutableState, layer: string, at: number): MutableState['byEye'] {
  const counted = (wound[layer] ?? []).map((go) => ({ ...go }));
  return new Map(byEye).set(layer, { at, counted, chosen: chosen.length });
}

type Looking = Extract<RunEvent, { kind: KindsWith<'does', 'look'> }>;

const soundly = <K extends string>(name: K, value: number | undefined, least: number, most: number) =>
  (value === undefined ? {} : { [name]: bounded(value, least, most) }) as Partial<Record<K, number>>;

function hold(
  state: MutableState,
  { on, device, count }: Extract<RunEvent, { kind: 'held' }>['payload'],
): void {
  state.held = on;
  state.heldAt = on && device !== undefined && count !== undefined ? { [device]: count } : {};
}

/** A walk nobody can have made is passed over; one that puts an earlier one right moves that one's mark. */
function walked(state: MutableState, { payload, by, at }: Extract<RunEvent, { kind: 'walked' }>): void {
  const { tape, reading, match, earlier, began = 0, without = [] } = payload;
  if (![tape, match].every((length) => isWithin(length, ...WALK_RANGE.tape))) return;
  if (!isWithin(began, -2000, 2000)) return;
  if (!isWithin(reading - began, ...WALK_RANGE.reading) || !isWithin(payload.step, 0.01, 10)) return;
  const before = earlier && state.walks[earlier.walk];
  if (earlier && before && isWithin(earlier.tape, ...WALK_RANGE.tape))
    state.walks[earlier.walk] = { ...before, tape: earlier.tape };
  for (const at of without) {
    const walk = state.walks[at];
    if (walk) state.walks[at] = { ...walk, left: true };
  }
  state.walks.push({ ...payload, by, at, wound: snapshot(state.wound) });
}

/** A choice with a gap or a length nobody can have meant is passed over. */
function chose(state: MutableState, chosen: Chosen): void {
  const { gap = 0, length = 0 } = chosen;
  if (isWithin(gap, -5, 60) && isWithin(length, 0, 5000)) state.chosen.push(chosen);
}

/** Events that say what was seen, chosen or written down. */
function look(state: MutableState, event: Looking): void {
  switch (event.kind) {
    case 'depth-read':
      readDepth(state, event.payload);
      break;
    case 'supply': {
      const { layer, ...seen } = event.payload;
      state.supplies[layer] = seen;
      break;
    }
    case 'slack-read':
      state.slacks.push(event.payload);
      break;
    case 'lay-read':
      state.lays.push(event.payload);
      break;
    case 'tension-read':
      state.tensions.push({ ...event.payload, ...soundly('wound', event.payload.wound, 0, 20_000) });
      break;
    case 'chosen':
      chose(state, event.payload);
      break;
    case 'piece-changed':
      takePiece(state, event.payload);
      break;
    case 'walked':
      state.moving = false;
      walked(state, event);
      break;
    case 'moving':
      state.moving = event.payload.on;
      // A device begins where it stands: what it counted on the walk moved no line.
      state.counting.clear();
      noteSeen(state, event.payload.seen);
      break;
    case 'settled':
      state.settlings.push(event.payload);
      break;
    case 'held':
      hold(state, event.payload);
      break;
    case 'noted':
      state.notes[event.payload.step] = { ...state.notes[event.payload.step], ...event.payload.values };
      break;
  }
}
