import type { Draft } from './draft';
import type { RunEvent } from './run-event';
import type { RunFacts } from './run-steps';
import { segmentsOf, withSegment, type Segment } from './segments';

export type Counting = Extract<
  RunEvent,
  { kind: 'turns' | 'metres' | 'count-set' | 'device-at' | 'restarted' }
>;

/** Events that move a count. */
export function foldCount(draft: Draft, event: Counting, { request: { gear } }: RunFacts): void {
  switch (event.kind) {
    case 'turns': {
      const { layer, turns, per = stepOf(draft, layer, gear), device, count } = event.payload;
      draft.turns[layer] = (draft.turns[layer] ?? 0) + turns;
      goOn(draft, layer, { spoolTurns: turns * per });
      stands(draft, layer, device, count);
      break;
    }
    case 'metres': {
      const { layer, metres, device, count } = event.payload;
      draft.metres[layer] = (draft.metres[layer] ?? 0) + metres;
      goOn(draft, layer, { metres });
      stands(draft, layer, device, count);
      break;
    }
    case 'count-set': {
      const { layer, turns, per = stepOf(draft, layer, gear) } = event.payload;
      // Somebody's own count goes before a meter's.
      begin(draft, layer, turns);
      draft.wound[layer] = [{ spoolTurns: turns * per }];
      break;
    }
    case 'device-at':
      stands(draft, null, event.payload.device, event.payload.count);
      break;
    case 'restarted': {
      const { layer } = event.payload;
      begin(draft, layer, 0);
      draft.restarts.push(event.payload);
      // What was seen of the layer was stripped with it. What was said of the supply stays: turned over because the
      // slack metre spoke against it, it stands now as it was said to.
      draft.slacks = draft.slacks.filter((one) => one.layer !== layer);
      draft.lays = draft.lays.filter((one) => one.layer !== layer);
      draft.tensions = draft.tensions.filter((one) => one.layer !== layer);
      draft.depths = draft.depths.filter(({ after }) => after !== layer);
      break;
    }
  }
}

/** Spool turns to one counted turn as the supply stood then; a later change of supply rereads nothing. */
const stepOf = (draft: Draft, layer: string, gear: number): number =>
  draft.supplies[layer]?.way === 'winder' ? 1 : gear;

/** The layer's count begun anew at so many turns. */
function begin(draft: Draft, layer: string, turns: number): void {
  draft.turns[layer] = turns;
  draft.wound[layer] = [];
  Reflect.deleteProperty(draft.metres, layer);
  draft.byDevice.delete(layer);
}

function goOn(draft: Draft, layer: string, go: Segment): void {
  draft.wound[layer] = withSegment(segmentsOf(draft.wound, layer), go);
}

/** A device's count, written down. */
function stands(
  draft: Draft,
  layer: string | null,
  device: string | undefined,
  count: number | undefined,
): void {
  if (device === undefined || count === undefined) return;
  draft.devices[device] = count;
  draft.counting.add(device);
  if (layer !== null) draft.byDevice.add(layer);
}
