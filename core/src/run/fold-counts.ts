import { bounded } from '../numeric/bounded';
import type { MutableState } from './mutable-state';
import type { KindsWith } from './event-traits';
import type { RunEvent } from './run-event';
import { countedBeside, noteSeen } from './unheard';
import { stepId, type RunFacts } from '../steps/run-facts';
import { addMetres, addTurns } from './add-counted';
import { calledNow, renameDevice } from './device-names';
import { heldFrom } from './held-count';

export type Counting = Extract<RunEvent, { kind: KindsWith<'does', 'count'> }>;

/** Events that move a count. */
export function foldCount(state: MutableState, event: Counting, { request: { gear } }: RunFacts): void {
  switch (event.kind) {
    case 'turns': {
      const { layer } = event.payload;
      const share = shareToCredit(state, event.payload);
      if (share === null) break;
      const turns = counted(event.payload.turns * share);
      const per = stepOf(state, event.payload, gear);
      addTurns(state, layer, turns, per);
      rated(state, event.payload, { turns: event.payload.turns, per });
      stands(state, event.payload, layer);
      if (event.payload.seen) countedBeside(state, event.payload.seen, layer, { turns, per });
      break;
    }
    case 'metres': {
      const { layer } = event.payload;
      const share = shareToCredit(state, event.payload);
      if (share === null) break;
      const metres = counted(event.payload.metres * share);
      addMetres(state, layer, metres);
      rated(state, event.payload, { metres: event.payload.metres });
      stands(state, event.payload, layer);
      break;
    }
    case 'count-set': {
      const { layer } = event.payload;
      const turns = Math.max(0, counted(event.payload.turns));
      const per = stepOf(state, event.payload, gear);
      // Somebody's own count goes before a meter's.
      begin(state, layer, turns);
      state.wound[layer] = [{ spoolTurns: turns * per }];
      noteSeen(state, event.payload.seen);
      break;
    }
    case 'device-at':
      if (event.payload.was === undefined) stands(state, event.payload, null);
      else renameDevice(state, calledNow(state.called, event.payload.was), event.payload.device);
      break;
    case 'restarted': {
      const { layer } = event.payload;
      begin(state, layer, 0);
      noteSeen(state, event.payload.seen);
      state.restarts.push(event.payload);
      // Stripped back, what came off the pieces before is off again: the piece that is mounted gives all of it.
      state.pieces = state.pieces.map((one) =>
        one.layer === layer ? { ...one, usedUp: false, wound: { ...one.wound, [layer]: [] } } : one,
      );
      // What was seen of the layer was stripped with it. What was said of the supply stays: turned over because the
      // slack metre spoke against it, it stands now as it was said to.
      state.slacks = state.slacks.filter((one) => one.layer !== layer);
      state.lays = state.lays.filter((one) => one.layer !== layer);
      state.tensions = state.tensions.filter((one) => one.layer !== layer);
      state.depths = state.depths.filter(({ after }) => after !== layer);
      state.stretches = state.stretches.filter((one) => one.layer !== layer);
      break;
    }
  }
}

/** Spool turns to one counted turn as the supply stood then; a later change of supply rereads nothing. */
function stepOf(
  state: MutableState,
  { layer, per }: { readonly layer: string; readonly per?: number },
  gear: number,
): number {
  if (per !== undefined) return bounded(per, 0, MOST_STEP);
  return state.supplies[layer]?.way === 'winder' ? 1 : bounded(gear, 0, MOST_STEP);
}

/**
 * How much of what a device's event says is to be credited: all of it where the device was last credited at the count it
 * goes on from. Where it was credited elsewhere meanwhile, what is between there and where it stands now, which may be
 * less than nothing; null where its layer has ended, and nothing more is due to it.
 */
function shareToCredit(
  state: MutableState,
  event: {
    readonly layer: string;
    readonly device?: string;
    readonly count?: number;
    readonly from?: number;
  },
): number | null {
  const { layer, device, count, from } = event;
  if (device === undefined || count === undefined || from === undefined) return 1;
  if (state.done.has(stepId('wind', layer)) && !state.moving) return null;
  const last = state.devices[device] ?? from;
  return count === from ? 0 : (count - last) / (count - from);
}

/** More in one event than any layer takes, and more spool turns to a counted one than any reel makes. */
const MOST_COUNTED = 20_000;
const MOST_STEP = 20;

/** What one event counted; nothing where it is no number. */
const counted = (value: number): number =>
  Number.isFinite(value) ? bounded(value, -MOST_COUNTED, MOST_COUNTED) : 0;

/** The layer's count begun again at so many turns: what was seen of it before is no part of them. */
function begin(state: MutableState, layer: string, turns: number): void {
  // What lay there before the first event is there still.
  if (state.byEye.has(layer))
    state.byEye = new Map([...state.byEye].filter(([id, { at }]) => id !== layer || at === 0));
  state.turns[layer] = turns;
  state.wound[layer] = [];
  Reflect.deleteProperty(state.metres, layer);
  state.byDevice.delete(layer);
}

/** What one of a device's counts was worth on its layer, so that what was credited too far can be taken back. */
function rated(
  state: MutableState,
  { layer, device, count, from }: Extract<Counting, { kind: 'turns' | 'metres' }>['payload'],
  went: { readonly turns: number; readonly per: number } | { readonly metres: number },
): void {
  if (device === undefined || count === undefined || from === undefined || count === from) return;
  const each = ('turns' in went ? went.turns : went.metres) / (count - from);
  state.worth[device] = { layer, each, per: 'per' in went ? went.per : null };
}

/** A device's count, written down. */
function stands(
  state: MutableState,
  { device, count, from }: { readonly device?: string; readonly count?: number; readonly from?: number },
  layer: string | null,
): void {
  if (device === undefined || count === undefined || !Number.isFinite(count)) return;
  state.devices[device] = count;
  state.counting.add(device);
  if (from === undefined) {
    state.answeredAt[device] = count;
    state.answeredIn[device] = state.place;
    heldFrom(state, device, count);
  }
  // Whatever was open about it is settled with this.
  Reflect.deleteProperty(state.unheard, device);
  if (layer === null) return;
  state.byDevice.add(layer);
  state.creditedTo[device] = layer;
}
