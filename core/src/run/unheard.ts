import { isWithin } from '../numeric/bounded';
import { addMetres, addTurns } from './add-counted';
import { heldFrom } from './held-count';
import { record, type MutableState } from './mutable-state';
import type { SeenCount } from './run-event';
import type { Unheard } from './run-state';

/** No device counts further. */
const COUNTS = [-1e12, 1e12] as const;

/**
 * Something was done while a counter stood at a count: what it counts from there on belongs to what comes now. Where it
 * could not be heard, nobody knows what it stood at; that is kept until it says so.
 *
 * @param ended the layer that ended with it, if one did
 */
export function noteSeen(state: MutableState, seen: SeenCount | undefined, ended?: string): void {
  if (!seen || !isWithin(seen.count, ...COUNTS)) return;
  const { device, count, unheard } = seen;
  if (unheard || state.unheard[device]) {
    const open = opened(state, seen);
    state.unheard[device] = ended === undefined ? open : { ...open, ended: [...open.ended, ended] };
    return;
  }
  if (ended !== undefined) takeBack(state, device, count, ended);
  state.devices[device] = count;
  state.answeredAt[device] = count;
  state.answeredIn[device] = state.place;
  heldFrom(state, device, count);
  state.counting.add(device);
}

/** What a layer was credited with past the count at which it ended: the end was on its way to the server. */
function takeBack(state: MutableState, device: string, count: number, layer: string): void {
  const worth = state.worth[device];
  const past = (state.devices[device] ?? count) - count;
  if (worth?.layer !== layer || past === 0) return;
  if (worth.per === null) addMetres(state, layer, -past * worth.each);
  else addTurns(state, layer, -past * worth.each, worth.per);
}

/** Turns counted by hand beside a counter that could not be heard: they stand until it says what it counted. */
export function countedBeside(
  state: MutableState,
  seen: SeenCount,
  layer: string,
  { turns, per }: { readonly turns: number; readonly per: number },
): void {
  if (!isWithin(seen.count, ...COUNTS)) return;
  const open = opened(state, seen);
  const before = open.byHand[layer]?.turns ?? 0;
  state.unheard[seen.device] = {
    ...open,
    byHand: Object.assign(record<Unheard['byHand'][string]>(), open.byHand, {
      [layer]: { turns: before + turns, per },
    }),
  };
}

/** What is open about a device; begun with what it was seen at last, and what it was credited with since then. */
function opened(state: MutableState, { device, count }: SeenCount): Unheard {
  const there = state.unheard[device];
  if (there) return there;
  const last = state.devices[device] ?? count;
  const since = knownSince(count, state.answeredAt[device] ?? last, last);
  const layer = state.creditedTo[device];
  const credited = layer !== undefined && last !== since ? { layer, counts: last - since } : null;
  return { since, credited, byHand: record(), ended: [] };
}

/**
 * From where on it is open what a device counted: what was seen of it last, unless it was settled since then what it stood
 * at, or it began again. What it was credited with lies between there and where it stands.
 */
const knownSince = (seen: number, answered: number, last: number): number =>
  seen > last ? last : Math.max(seen, Math.min(answered, last));
