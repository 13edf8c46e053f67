import { countsLine, eachTurn, type DeviceCounts } from './counted';
import type { RunState, Unheard } from './run-state';
import type { RunHappening } from './run-event';

/** A device that counts at a bench, and how many of its counts make one of what it counts. */
export interface CountingDevice {
  readonly name: string;
  readonly counts: DeviceCounts;
  readonly per: number;
}

/**
 * Why a count is not simply credited: it began again, it jumped, or something was done beside it while it could not be
 * heard.
 */
export type OddCount = 'restarted' | 'jumped' | 'unheard';

/** What a device's count means for the run that holds it. */
export interface Credit {
  /** What to write into the log; null for nothing. */
  readonly happening: RunHappening | null;
  /** Counts that wait for an answer: the run was held while they came, or they are odd. */
  readonly unclaimed: number;
  /** Why they are asked about although nothing is held; null where they are not. */
  readonly odd: OddCount | null;
}

/** More handle turns, or metres, in one step than a missed link explains. */
const MOST_FORWARD = 2000;
/** More back in one step than a hand gives back; from memory. */
const MOST_BACK = 10;
/** Back past the beginning of its layer by more than a handle is turned to take up slack; from memory. */
const PAST_BEGINNING = 2;
/** Hand and counter that differ by no more than this have counted the same. */
const AGREED = 1;

/**
 * What to make of a device's count. It is cumulative, so a gap in the link loses nothing: what it went on by since it was
 * last credited is credited now. While the count is held nothing is credited, and the difference waits for an answer; so
 * it does where it cannot have been wound, and where turns were counted by hand or a layer ended while it could not be
 * heard. Turns made while no layer is wound are passed over once a layer begins; so are those of a walk with the reel's
 * counter, where line goes out and comes back.
 *
 * @param options.gear spool turns to one counted turn of the layer
 * @param options.since the count as it stood when the layer began, where that is known
 * @param options.doubt what is wrong with the count itself, as its lines tell
 * @param options.answered whether somebody has said since what it stands at: a count that comes by where it was credited
 *   last is no answer
 * @param options.live whether the count is what the device stands at now, and not the last that was heard of it
 */
export function creditCount(
  device: CountingDevice,
  state: Counting,
  count: number,
  weighed: Weighed,
): Credit {
  const { gear, doubt = null, live = true } = weighed;
  const last = state.devices[device.name];
  const open = state.unheard[device.name];
  if (!open) return onItsLayer(device, state, count, weighed);
  return besideUnheard(device, open, count, { gear, last, asks: state.held || doubt !== null || !live });
}

/** What a count is weighed with. */
interface Weighed {
  /** Spool turns to one counted turn of the layer. */
  readonly gear: number;
  readonly since?: number;
  readonly doubt?: OddCount | null;
  readonly answered?: boolean;
  readonly live?: boolean;
}

/** A count that nothing was done beside while it could not be heard. */
function onItsLayer(
  device: CountingDevice,
  state: Counting,
  count: number,
  { gear, since = count, doubt = null, answered = false }: Weighed,
): Credit {
  const { current, devices, counting, held, heldAt, moving } = state;
  const last = devices[device.name];
  const layer = layerCounted(current, moving);
  if (layer === undefined) return NOTHING;
  // Its count when the layer began is written down first: turns made before that belong to no layer.
  if (last === undefined || !counting.has(device.name)) return { ...NOTHING, happening: at(device, since) };
  // What was turned before the count was held still counts; what came after waits for an answer.
  const upTo = held ? (heldAt[device.name] ?? last) : count;
  if (upTo === last) return { happening: null, unclaimed: count - upTo, odd: answered ? null : doubt };
  const units = unitsOf(device, upTo - last, gear);
  const odd = doubt ?? oddness(units, onLayer(state, layer, device));
  if (odd) return { happening: null, unclaimed: count - last, odd };
  const happening = counted(device, layer, { units, count: upTo, from: last }, gear);
  return { happening, unclaimed: count - upTo, odd: null };
}

/** A device's counts as what its layer is counted in: counted turns, or metres. */
export const unitsOf = (device: CountingDevice, moved: number, gear: number): number =>
  moved / device.per / eachTurn(device, gear);

/**
 * A count that is heard again after something was done beside it. Where one layer was counted by hand and the counter
 * says the same, the counter's is taken; where it did not move and nothing was counted, nothing happened; all else is
 * asked about.
 */
function besideUnheard(
  device: CountingDevice,
  open: Unheard,
  count: number,
  { gear, last, asks }: { readonly gear: number; readonly last: number | undefined; readonly asks: boolean },
): Credit {
  const asked: Credit = { happening: null, unclaimed: count - (last ?? open.since), odd: 'unheard' };
  const [hand, ...more] = Object.entries(open.byHand);
  if (asks || more.length > 0) return asked;
  if (!hand)
    return count === open.since && !open.credited ? { ...NOTHING, happening: at(device, count) } : asked;
  const [layer, { turns, per }] = hand;
  const moved = unitsOf(device, count - open.since, gear);
  if (countsLine(device) || !onlyOn(layer, open) || Math.abs(moved - turns) > AGREED) return asked;
  const units = moved - turns - unitsOf(device, open.credited?.counts ?? 0, gear);
  return { ...NOTHING, happening: counted(device, layer, { units, count }, per) };
}

/** Whether all that happened meanwhile happened on one layer. */
const onlyOn = (layer: string, { ended, credited }: Unheard): boolean =>
  ended.every((one) => one === layer) && (credited?.layer ?? layer) === layer;

const at = ({ name }: CountingDevice, count: number): RunHappening => ({
  kind: 'device-at',
  payload: { device: name, count },
});

/** The layer that is counted at a step; none on a walk with the reel's counter, where line goes out and comes back. */
const layerCounted = (step: RunState['current'], moving: boolean): string | undefined =>
  step?.kind === 'wind' || (step?.kind === 'counter' && moving) ? step.layer : undefined;

type Counting = Pick<
  RunState,
  'current' | 'devices' | 'counting' | 'unheard' | 'held' | 'heldAt' | 'moving' | 'turns' | 'metres'
>;

const NOTHING: Credit = { happening: null, unclaimed: 0, odd: null };

/** What is counted on a layer; as far as one likes where the reel's counter is matched, since line comes off there. */
const onLayer = ({ turns, metres, moving }: Counting, layer: string, device: CountingDevice): number =>
  moving ? Infinity : ((countsLine(device) ? metres : turns)[layer] ?? 0);

const oddness = (went: number, on: number): OddCount | null =>
  went < -MOST_BACK || went < -PAST_BEGINNING - on ? 'restarted' : went > MOST_FORWARD ? 'jumped' : null;

/**
 * A device's units as they are written down for a layer, with the count it stood at.
 *
 * @param from the count they go on from; left out where they stand as they are, whatever it was credited with before
 * @param gear spool turns to one counted turn of the layer, kept with the turns
 */
export function counted(
  device: CountingDevice,
  layer: string,
  { units, count, from }: { readonly units: number; readonly count: number; readonly from?: number },
  gear: number,
): RunHappening {
  const shared = { layer, device: device.name, count, ...(from === undefined ? {} : { from }) };
  return countsLine(device)
    ? { kind: 'metres', payload: { ...shared, metres: units } }
    : { kind: 'turns', payload: { ...shared, turns: units, per: gear } };
}
