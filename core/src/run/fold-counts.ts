import { bounded } from '../numeric/bounded';
import type { Draft } from './draft';
import type { KindsWith } from './event-traits';
import type { RunEvent } from './run-event';
import { countedBeside, saw } from './unheard';
import { stepId, type RunFacts } from '../steps/run-facts';
import { addMetres, addTurns } from './add-counted';

export type Counting = Extract<RunEvent, { kind: KindsWith<'does', 'count'> }>;

/** Events that move a count. */
export function foldCount(draft: Draft, event: Counting, { request: { gear } }: RunFacts): void {
  switch (event.kind) {
    case 'turns': {
      const { layer } = event.payload;
      const share = shareToCredit(draft, event.payload);
      if (share === null) break;
      const turns = counted(event.payload.turns * share);
      const per = stepOf(draft, event.payload, gear);
      addTurns(draft, layer, turns, per);
      rated(draft, event.payload, { turns: event.payload.turns, per });
      stands(draft, event.payload, layer);
      if (event.payload.seen) countedBeside(draft, event.payload.seen, layer, { turns, per });
      break;
    }
    case 'metres': {
      const { layer } = event.payload;
      const share = shareToCredit(draft, event.payload);
      if (share === null) break;
      const metres = counted(event.payload.metres * share);
      addMetres(draft, layer, metres);
      rated(draft, event.payload, { metres: event.payload.metres });
      stands(draft, event.payload, layer);
      break;
    }
    case 'count-set': {
      const { layer } = event.payload;
      const turns = Math.max(0, counted(event.payload.turns));
      const per = stepOf(draft, event.payload, gear);
      // Somebody's own count goes before a meter's.
      begin(draft, layer, turns);
      draft.wound[layer] = [{ spoolTurns: turns * per }];
      saw(draft, event.payload.seen);
      break;
    }
    case 'device-at':
      stands(draft, event.payload, null);
      break;
    case 'restarted': {
      const { layer } = event.payload;
      begin(draft, layer, 0);
      saw(draft, event.payload.seen);
      draft.restarts.push(event.payload);
      // Stripped back, what came off the pieces before is off again: the piece that is mounted gives all of it.
      draft.pieces = draft.pieces.map((one) =>
        one.layer === layer ? { ...one, usedUp: false, wound: { ...one.wound, [layer]: [] } } : one,
      );
      // What was seen of the layer was stripped with it. What was said of the supply stays: turned over because the
      // slack metre spoke against it, it stands now as it was said to.
      draft.slacks = draft.slacks.filter((one) => one.layer !== layer);
      draft.lays = draft.lays.filter((one) => one.layer !== layer);
      draft.tensions = draft.tensions.filter((one) => one.layer !== layer);
      draft.depths = draft.depths.filter(({ after }) => after !== layer);
      draft.stretches = draft.stretches.filter((one) => one.layer !== layer);
      break;
    }
  }
}

/** Spool turns to one counted turn as the supply stood then; a later change of supply rereads nothing. */
function stepOf(
  draft: Draft,
  { layer, per }: { readonly layer: string; readonly per?: number },
  gear: number,
): number {
  if (per !== undefined) return bounded(per, 0, MOST_STEP);
  return draft.supplies[layer]?.way === 'winder' ? 1 : bounded(gear, 0, MOST_STEP);
}

/**
 * How much of what a device's event says is to be credited: all of it where the device was last credited at the count it
 * goes on from. Where it was credited elsewhere meanwhile, what is between there and where it stands now, which may be
 * less than nothing; null where its layer has ended, and nothing more is due to it.
 */
function shareToCredit(
  draft: Draft,
  event: {
    readonly layer: string;
    readonly device?: string;
    readonly count?: number;
    readonly from?: number;
  },
): number | null {
  const { layer, device, count, from } = event;
  if (device === undefined || count === undefined || from === undefined) return 1;
  if (draft.done.has(stepId('wind', layer)) && !draft.moving) return null;
  const last = draft.devices[device] ?? from;
  return count === from ? 0 : (count - last) / (count - from);
}

/** More in one event than any layer takes, and more spool turns to a counted one than any reel makes. */
const MOST_COUNTED = 20_000;
const MOST_STEP = 20;

/** What one event counted; nothing where it is no number. */
const counted = (value: number): number =>
  Number.isFinite(value) ? bounded(value, -MOST_COUNTED, MOST_COUNTED) : 0;

/** The layer's count begun again at so many turns: what was seen of it before is no part of them. */
function begin(draft: Draft, layer: string, turns: number): void {
  // What lay there before the first event is there still.
  if (draft.byEye.has(layer))
    draft.byEye = new Map([...draft.byEye].filter(([id, { at }]) => id !== layer || at === 0));
  draft.turns[layer] = turns;
  draft.wound[layer] = [];
  Reflect.deleteProperty(draft.metres, layer);
  draft.byDevice.delete(layer);
}

/** What one of a device's counts was worth on its layer, so that what was credited too far can be taken back. */
function rated(
  draft: Draft,
  { layer, device, count, from }: Extract<Counting, { kind: 'turns' | 'metres' }>['payload'],
  went: { readonly turns: number; readonly per: number } | { readonly metres: number },
): void {
  if (device === undefined || count === undefined || from === undefined || count === from) return;
  const each = ('turns' in went ? went.turns : went.metres) / (count - from);
  draft.worth[device] = { layer, each, per: 'per' in went ? went.per : null };
}

/** A device's count, written down. */
function stands(
  draft: Draft,
  { device, count, from }: { readonly device?: string; readonly count?: number; readonly from?: number },
  layer: string | null,
): void {
  if (device === undefined || count === undefined || !Number.isFinite(count)) return;
  draft.devices[device] = count;
  draft.counting.add(device);
  if (from === undefined) draft.settledAt[device] = count;
  // Whatever was open about it is settled with this.
  Reflect.deleteProperty(draft.unheard, device);
  if (layer === null) return;
  draft.byDevice.add(layer);
  draft.creditedTo[device] = layer;
}
