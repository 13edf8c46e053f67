import type { RunState } from './fold-run';
import type { RunHappening } from './run-event';

/** A device that counts at a bench, and how many of its counts make one of what it counts. */
export interface CountingDevice {
  readonly name: string;
  readonly counts: 'handle-turns' | 'spool-turns' | 'metres';
  readonly per: number;
}

/** What a device's count means for the run that holds it. */
export interface Credit {
  /** What to write into the log; null for nothing. */
  readonly happening: RunHappening | null;
  /** Counts that wait for an answer: the run was held while they came. */
  readonly unclaimed: number;
}

/**
 * What to make of a device's count. It is cumulative, so a gap in the link loses nothing: what it went on by since it was
 * last credited is credited now. While the count is held nothing is credited, and the difference waits for an answer.
 * Turns made while no layer is wound are passed over once a layer begins.
 *
 * @param options.since the count as it stood when the layer began, where that is known
 */
export function creditCount(
  device: CountingDevice,
  { current, devices, counting, held, heldAt }: Counting,
  count: number,
  { gear, since = count }: { readonly gear: number; readonly since?: number },
): Credit {
  if (current?.kind !== 'wind' || current.layer === undefined) return NOTHING;
  const last = devices[device.name];
  // Its count when the layer began is written down first: turns made before that belong to no layer.
  if (last === undefined || !counting.has(device.name))
    return {
      happening: { kind: 'device-at', payload: { device: device.name, count: since } },
      unclaimed: 0,
    };
  // What was turned before the count was held still counts; what came after waits for an answer.
  const upTo = held ? (heldAt[device.name] ?? last) : count;
  const happening =
    upTo === last
      ? null
      : credited(device, current.layer, { units: (upTo - last) / device.per, count: upTo }, gear);
  return { happening, unclaimed: count - upTo };
}

type Counting = Pick<RunState, 'current' | 'devices' | 'counting' | 'held' | 'heldAt'>;

const NOTHING: Credit = { happening: null, unclaimed: 0 };

function credited(
  { name, counts }: CountingDevice,
  layer: string,
  { units, count }: { readonly units: number; readonly count: number },
  gear: number,
): RunHappening {
  const shared = { layer, device: name, count };
  return counts === 'metres'
    ? { kind: 'metres', payload: { ...shared, metres: units } }
    : { kind: 'turns', payload: { ...shared, turns: counts === 'spool-turns' ? units / gear : units } };
}
