import { woundArea } from '../lines/line';
import type { FillRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import { goesSince, segmentsOf, type Segment, type Segments } from '../plan/segments';
import { woundSoFar } from '../plan/wound';
import { bulkIn, type Estimate } from '../spool/estimate';
import { lengthBetween, radiusAfter } from '../winding/winding';
import { AT_THE_GAP } from './depth-observations';
import type { ByEye, DepthReading, RunState } from './run-state';

/** Whether a depth was read after a layer, of which the last one is read at the gap too. */
export const isAfter = ({ after }: Pick<DepthReading, 'after'>, layer: string, last: boolean): boolean =>
  after === layer || (after === AT_THE_GAP && last);

/** Whether a layer was by eye in the same way when a depth was read as it is now. */
export const sameEye = (
  now: ReadonlyMap<string, ByEye>,
  then: ReadonlyMap<string, ByEye>,
  layer: string,
): boolean => now.get(layer)?.at === then.get(layer)?.at;

/** Radius of a surface before the last goes went on, mm. */
export const radiusBefore = (
  outer: number,
  goes: readonly Segment[],
  { width, area }: { readonly width: number; readonly area: number },
): number =>
  goes.reduceRight(
    (radius, go) =>
      'metres' in go ? radiusAfter(width, radius, area, -go.metres) : radius - (go.spoolTurns * area) / width,
    outer,
  );

/** A layer as it was planned at the moment when it was said to be wound by eye, m. */
export function plannedBefore(estimate: Estimate, asked: FillRequest, layer: string): number {
  const plan = planFill(estimate, asked);
  return (plan.ok ? plan.value.layers.find(({ id }) => id === layer)?.length.value : undefined) ?? 0;
}

/** What is needed to tell what lies on a spool. */
export interface Seen {
  readonly request: FillRequest;
  readonly spool: Estimate;
  /** The fill as it was asked once so many choices had been made. */
  readonly askedAfter: (choices: number) => FillRequest;
}

/**
 * What was wound, with what was wound by eye taken as it was seen: up to the depth read after it, else as much as was
 * planned. What was counted since then comes on top.
 */
export function withByEye(
  { spool: estimate, request, askedAfter }: Seen,
  { wound, byEye, depths }: Pick<RunState, 'wound' | 'byEye' | 'depths'>,
): Segments {
  const last = request.layers.at(-1)?.id;
  const { spool } = estimate;
  let segments: Segments = wound;
  for (const layer of request.layers) {
    const eye = byEye.get(layer.id);
    if (layer.kind !== 'line' || !eye) continue;
    const since = (goes: Segments): Segment[] => goesSince(eye.counted, segmentsOf(goes, layer.id));
    const read = depths.findLast(
      (one) => isAfter(one, layer.id, layer.id === last) && sameEye(byEye, one.byEye, layer.id),
    );
    const on = woundSoFar(estimate, request, { ...segments, [layer.id]: [] });
    const inner = on.find(({ id }) => id === layer.id)?.innerRadius ?? spool.arborRadius;
    const area = woundArea(layer.line.diameter, bulkIn(estimate, layer.line), spool.packing);
    const outer =
      read && radiusBefore(spool.lipRadius - read.depth, since(read.wound), { width: spool.width, area });
    const metres =
      outer === undefined
        ? plannedBefore(estimate, askedAfter(eye.chosen), layer.id)
        : lengthBetween(spool.width, inner, Math.max(inner, outer), area);
    segments = { ...segments, [layer.id]: [{ metres: Math.max(0, metres) }, ...since(wound)] };
  }
  return segments;
}
