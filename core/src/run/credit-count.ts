import type { RunState } from './run-state';
import type { RunHappening } from './run-event';

/** A device that counts at a bench, and how many of its counts make one of what it counts. */
export interface CountingDevice {
  readonly name: string;
  readonly counts: 'handle-turns' | 'spool-turns' | 'metres';
  readonly per: number;
}

/** Why a count cannot have come from winding alone: it began again, or it jumped. */
export type OddCount = 'restarted' | 'jumped';

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

/**
 * What to make of a device's count. It is cumulative, so a gap in the link loses nothing: what it went on by since it was
 * last credited is credited now. While the count is held nothing is credited, and the difference waits for an answer; so
 * it does where the count fell further than a hand winds back (a counter that began again), or jumped further than a
 * layer is long. Turns made while no layer is wound are passed over once a layer begins; so are those of a walk with the
 * reel's counter, where line goes out and comes back.
 *
 * @param options.gear spool turns to one counted turn of the layer
 * @param options.since the count as it stood when the layer began, where that is known
 */
export function creditCount(
  device: CountingDevice,
  { current, devices, counting, held, heldAt, moving }: Counting,
  count: number,
  { gear, since = count }: { readonly gear: number; readonly since?: number },
): Credit {
  const layer = layerCounted(current, moving);
  if (layer === undefined) return NOTHING;
  const last = Object.hasOwn(devices, device.name) ? devices[device.name] : undefined;
  // Its count when the layer began is written down first: turns made before that belong to no layer.
  if (last === undefined || !counting.has(device.name))
    return {
      ...NOTHING,
      happening: { kind: 'device-at', payload: { device: device.name, count: since } },
    };
  // What was turned before the count was held still counts; what came after waits for an answer.
  const upTo = held ? (heldAt[device.name] ?? last) : count;
  if (upTo === last) return { happening: null, unclaimed: count - upTo, odd: null };
  const units = (upTo - last) / device.per;
  const odd = oddness(device.counts === 'spool-turns' ? units / gear : units);
  if (odd) return { happening: null, unclaimed: count - last, odd };
  const happening = counted(device, layer, { units, count: upTo }, gear);
  return { happening, unclaimed: count - upTo, odd: null };
}

/** The layer that is counted at a step; none on a walk with the reel's counter, where line goes out and comes back. */
const layerCounted = (step: RunState['current'], moving: boolean): string | undefined =>
  step?.kind === 'wind' || (step?.kind === 'counter' && moving) ? step.layer : undefined;

type Counting = Pick<RunState, 'current' | 'devices' | 'counting' | 'held' | 'heldAt' | 'moving'>;

const NOTHING: Credit = { happening: null, unclaimed: 0, odd: null };

const oddness = (went: number): OddCount | null =>
  went < -MOST_BACK ? 'restarted' : went > MOST_FORWARD ? 'jumped' : null;

/**
 * A device's units as they are written down for a layer, with the count it stood at.
 *
 * @param gear spool turns to one counted turn of the layer, kept with the turns
 */
export function counted(
  { name, counts }: CountingDevice,
  layer: string,
  { units, count }: { readonly units: number; readonly count: number },
  gear: number,
): RunHappening {
  const shared = { layer, device: name, count };
  return counts === 'metres'
    ? { kind: 'metres', payload: { ...shared, metres: units } }
    : {
        kind: 'turns',
        payload: { ...shared, turns: counts === 'spool-turns' ? units / gear : units, per: gear },
      };
}
