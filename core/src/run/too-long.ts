import { woundArea } from '../lines/line';
import type { LayerRequest } from '../plan/fill-request';
import type { Ranged } from '../numeric/ranged';
import { bulkIn } from '../spool/estimate';
import { radiusAfter, turnsBetween } from '../winding/winding';
import { amountOf, type CountedAmount } from './counted-amount';
import { metresThatFit } from './rest-of-fill';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** What can be done where the last layer would stand above the gap that is wanted, each with what it comes to. */
export interface TooLong {
  /** The layer that does not fit. */
  readonly layer: string;
  /** Gap wanted and gap it comes to with all of it on, mm. */
  readonly wanted: number;
  readonly gap: Ranged;
  /** Take line of the layer below off: metres, and as it is counted there; null where there is none to take. */
  readonly takeOff: {
    readonly layer: string;
    readonly length: number;
    readonly counted: CountedAmount;
    /** Depth of its surface below the lip then, mm. */
    readonly depth: number;
  } | null;
  /** Metres of the layer that fit to the gap. */
  readonly cutTo: Ranged;
}

/** Line standing this much above the wanted gap is worth asking about: half a calliper reading. mm */
const WORTH_ASKING = 0.1;

/**
 * Whether the last layer, of a length that was promised, is too long for what is left below the gap, and what can be
 * done about it. Null where it fits, or where its length is whatever fits.
 */
export function tooLong(underWay: RunUnderWay, state: Pick<RunState, 'wound' | 'supplies'>): TooLong | null {
  const { request, winding } = underWay;
  const layer = request.layers.at(-1);
  const wanted = request.gap;
  if (!winding || wanted === undefined || layer?.kind !== 'line' || typeof layer.length !== 'number')
    return null;
  const { gap } = winding.plan;
  const cutTo = metresThatFit(underWay, layer.id);
  if (gap.value >= wanted - WORTH_ASKING || !cutTo) return null;
  return { layer: layer.id, wanted, gap, cutTo, takeOff: takeOff(underWay, state, request.layers.at(-2)) };
}

function takeOff(
  underWay: RunUnderWay,
  state: Pick<RunState, 'wound' | 'supplies'>,
  below: LayerRequest | undefined,
): TooLong['takeOff'] {
  if (below?.kind !== 'line') return null;
  const { spool, wound, request } = underWay;
  const on = wound.find(({ id }) => id === below.id);
  const fits = metresThatFit(underWay, below.id);
  // Once line lies above it, none of it can come off.
  const above = wound.slice(wound.findIndex(({ id }) => id === below.id) + 1);
  if (!on || !fits || fits.value >= on.length || above.some(({ length }) => length > 0)) return null;
  const { width, packing } = spool.spool;
  const length = on.length - fits.value;
  const area = woundArea(below.line.diameter, bulkIn(spool, below.line), packing);
  const outer = Math.max(on.innerRadius, radiusAfter(width, on.outerRadius, area, -length));
  return {
    layer: below.id,
    length,
    depth: spool.spool.lipRadius - outer,
    counted: amountOf(request, state, below.id, {
      length,
      spoolTurns: turnsBetween(width, outer, on.outerRadius, area),
    }),
  };
}
