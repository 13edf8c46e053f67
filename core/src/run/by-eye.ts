import { woundArea } from '../lines/line';
import type { FillRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import { bulkIn, type Estimate } from '../spool/estimate';
import { lengthBetween } from '../winding/winding';
import { AT_THE_GAP } from './depth-observations';
import type { RunState } from './run-state';
import type { Segments } from '../plan/segments';
import { woundSoFar } from '../plan/wound';

/**
 * What was wound, with layers that were wound by eye taken as they are seen: up to the depth read after them, else as
 * much as was planned.
 */
export function withSeen(
  estimate: Estimate,
  request: FillRequest,
  { wound, byEye, depths }: Pick<RunState, 'wound' | 'byEye' | 'depths'>,
): Segments {
  if (byEye.size === 0) return wound;
  const plan = planFill(estimate, request);
  const last = request.layers.at(-1)?.id;
  let segments: Segments = wound;
  for (const layer of request.layers) {
    if (layer.kind !== 'line' || !byEye.has(layer.id)) continue;
    const read = depths.findLast(
      ({ after }) => after === layer.id || (after === AT_THE_GAP && layer.id === last),
    );
    const on = woundSoFar(estimate, request, { ...segments, [layer.id]: [] });
    const inner = on.find(({ id }) => id === layer.id)?.innerRadius ?? estimate.spool.arborRadius;
    const { spool } = estimate;
    const area = woundArea(layer.line.diameter, bulkIn(estimate, layer.line), spool.packing);
    const planned = plan.ok ? plan.value.layers.find(({ id }) => id === layer.id)?.length.value : 0;
    const metres = read
      ? Math.max(0, lengthBetween(spool.width, inner, Math.max(inner, spool.lipRadius - read.depth), area))
      : (planned ?? 0);
    segments = { ...segments, [layer.id]: [{ metres }] };
  }
  return segments;
}
