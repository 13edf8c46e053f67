import { WALK_RANGE } from '../counter/counter-match';
import { bounded, isWithin } from '../numeric/bounded';
import type { Draft } from './draft';
import { hasTrait, type KindsWith } from './event-traits';
import { foldCount } from './fold-counts';
import { breaksStretch, foldMark } from './fold-mark';
import { correct } from './correct';
import { readDepth } from './read-depth';
import type { AtBench, RunEvent } from './run-event';
import type { Chosen } from './run-state';
import { stepId, type RunFacts } from '../steps/run-facts';
import { snapshot } from '../plan/segments';
import { takePiece } from './take-piece';
import { saw } from './unheard';

/** What a device counted: nobody's doing, and put right by setting the count, since it would be credited again. */
export const byDevice = ({ kind, payload }: RunEvent): boolean =>
  kind === 'device-at' ||
  kind === 'metered' ||
  ((kind === 'turns' || kind === 'metres') && payload.device !== undefined);

/** Whether somebody did it at the bench: no device, and nobody who put the record right afterwards. */
const isAtTheBench = (event: RunEvent): boolean => !byDevice(event) && event.kind !== 'corrected';

/** Whoever does something at a run has it from then on. */
function inHandsOf({ hands }: Draft, event: RunEvent): void {
  if (isAtTheBench(event) && event.by !== '' && hands.at(-1) !== event.by) hands.push(event.by);
}

/** Whoever does something at a run that was put aside has taken it up. */
function takenUpAgain(draft: Draft, event: RunEvent): void {
  if (isAtTheBench(event)) draft.aside = false;
}

/** What one event does to a run's state. An event about an unknown layer or step has no effect on the rest. */
export function applyEvent(draft: Draft, event: RunEvent, facts: RunFacts): void {
  inHandsOf(draft, event);
  takenUpAgain(draft, event);
  if (breaksStretch(event)) draft.mark = null;
  if (hasTrait(event, 'does', 'run')) ofTheRun(draft, event);
  else if (hasTrait(event, 'does', 'step')) ofAStep(draft, event, facts);
  else if (hasTrait(event, 'does', 'count')) foldCount(draft, event, facts);
  else if (hasTrait(event, 'does', 'mark')) foldMark(draft, event.payload);
  else if (hasTrait(event, 'does', 'record')) correct(draft, event.payload);
  else if (hasTrait(event, 'does', 'look')) look(draft, event);
}

function ofAStep(
  draft: Draft,
  event: Extract<RunEvent, { kind: KindsWith<'does', 'step'> }>,
  facts: RunFacts,
): void {
  if (event.kind === 'step-again') beginAgain(draft, event.payload);
  else endStep(draft, event, facts);
}

function beginAgain(
  draft: Draft,
  { steps, seen }: Extract<RunEvent, { kind: 'step-again' }>['payload'],
): void {
  for (const step of steps) {
    draft.done.delete(step);
    draft.skipped.delete(step);
    // What was written down of a step that is done again is written down again.
    Reflect.deleteProperty(draft.notes, step);
  }
  saw(draft, seen);
}

type OfTheRun = Extract<RunEvent, { kind: KindsWith<'does', 'run'> }>;

/** Events of the run as a whole: where it stands, and whether it goes on. */
function ofTheRun(draft: Draft, event: OfTheRun): void {
  switch (event.kind) {
    case 'started':
    case 'taken-up':
      standsAt(draft, event.payload);
      if ('seen' in event.payload) saw(draft, event.payload.seen);
      break;
    case 'put-aside':
      draft.aside = true;
      break;
    case 'given-up':
      draft.givenUp = true;
      break;
    default:
      draft.closed = event.kind === 'closed';
  }
}

function standsAt(draft: Draft, { bench, benchId }: AtBench): void {
  draft.bench = bench;
  draft.benchId = benchId ?? null;
}

function endStep(
  draft: Draft,
  event: Extract<RunEvent, { kind: 'step-done' | 'step-skipped' }>,
  { request }: RunFacts,
): void {
  const { step } = event.payload;
  draft.done.add(step);
  draft.moving = false;
  draft.counting.clear();
  if (event.kind === 'step-skipped') draft.skipped.add(step);
  const layer = request.layers.find(({ id }) => step === stepId('wind', id))?.id;
  saw(draft, event.payload.seen, layer);
  if (event.kind !== 'step-done' || layer === undefined) return;
  // What was wound by eye once stays so, whatever is counted on top of it.
  if (event.payload.by === 'eye') draft.byEye = withEye(draft, layer, event.seq);
  draft.usedUp[event.payload.usedUp ? 'add' : 'delete'](layer);
}

function withEye({ byEye, wound, chosen }: Draft, layer: string, at: number): Draft['byEye'] {
  const counted = (wound[layer] ?? []).map((go) => ({ ...go }));
  return new Map(byEye).set(layer, { at, counted, chosen: chosen.length });
}

type Looking = Extract<RunEvent, { kind: KindsWith<'does', 'look'> }>;

const soundly = <K extends string>(name: K, value: number | undefined, least: number, most: number) =>
  (value === undefined ? {} : { [name]: bounded(value, least, most) }) as Partial<Record<K, number>>;

function hold(draft: Draft, { on, device, count }: Extract<RunEvent, { kind: 'held' }>['payload']): void {
  draft.held = on;
  draft.heldAt = on && device !== undefined && count !== undefined ? { [device]: count } : {};
}

/** A walk nobody can have made is passed over; one that puts an earlier one right moves that one's mark. */
function walked(draft: Draft, { payload, by, at }: Extract<RunEvent, { kind: 'walked' }>): void {
  const { tape, reading, match, earlier, began = 0, without = [] } = payload;
  if (![tape, match].every((length) => isWithin(length, ...WALK_RANGE.tape))) return;
  if (!isWithin(began, -2000, 2000)) return;
  if (!isWithin(reading - began, ...WALK_RANGE.reading) || !isWithin(payload.step, 0.01, 10)) return;
  const before = earlier && draft.walks[earlier.walk];
  if (earlier && before && isWithin(earlier.tape, ...WALK_RANGE.tape))
    draft.walks[earlier.walk] = { ...before, tape: earlier.tape };
  for (const at of without) {
    const walk = draft.walks[at];
    if (walk) draft.walks[at] = { ...walk, left: true };
  }
  draft.walks.push({ ...payload, by, at, wound: snapshot(draft.wound) });
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
    case 'piece-changed':
      takePiece(draft, event.payload);
      break;
    case 'walked':
      draft.moving = false;
      walked(draft, event);
      break;
    case 'moving':
      draft.moving = event.payload.on;
      // A device begins where it stands: what it counted on the walk moved no line.
      draft.counting.clear();
      saw(draft, event.payload.seen);
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
  }
}
