import { bulkIn } from '../spool/estimate';
import { woundArea } from '../lines/line';
import { radiusAfter, turnsBetween } from '../winding/winding';
import { amountOf, type CountedAmount } from './counted-amount';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** Line that springs off without tension, and from where it can be wound again tighter. */
export interface LooseLayer {
  readonly layer: string;
  /** Metres that still lay tight when it was last looked at; 0 where they never did. */
  readonly tightUpTo: number;
  /** Metres above that, and the same as it is counted: what comes off to be wound again. */
  readonly length: number;
  readonly counted: CountedAmount;
}

/** The layer under the handle where its last look at the tension found it loose; null where it held, or none was taken. */
export function looseLayer(
  { winding, spool, request, wound }: RunUnderWay,
  state: RunState,
): LooseLayer | null {
  const asked = request.layers.find(({ id }) => id === winding?.layer);
  const on = wound.find(({ id }) => id === winding?.layer);
  if (!winding || !on || asked?.kind !== 'line') return null;
  const looks = state.tensions.filter(({ layer }) => layer === winding.layer);
  const last = looks.at(-1);
  // What was loose has come off once less is on than there was.
  if (!last || last.holds || on.length < (last.wound ?? on.length) - 0.5) return null;
  const tightUpTo = Math.min(on.length, looks.findLast(({ holds }) => holds)?.wound ?? 0);
  const { width, packing } = spool.spool;
  const area = woundArea(asked.line.diameter, bulkIn(spool, asked.line), packing);
  const tight = radiusAfter(width, on.innerRadius, area, tightUpTo);
  const length = on.length - tightUpTo;
  const spoolTurns = turnsBetween(width, tight, on.outerRadius, area);
  return {
    layer: winding.layer,
    tightUpTo,
    length,
    counted: amountOf(request, state, winding.layer, { length, spoolTurns }),
  };
}
