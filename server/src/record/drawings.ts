import type { Drawing } from '@yard-spool/contract';
import {
  type FillPlan,
  LINE_TINTS,
  type PlanInput,
  type PlannedLayer,
  type SpoolGeometry,
  woundArea,
} from '@yard-spool/core';
import type { LyingLayer } from './lying';

type DrawnLayer = Drawing['layers'][number];

/** Old line that stays on, and tape, where nothing of the shop's gives a tint. */

const spoolOf = ({ lipRadius, arborRadius, width }: SpoolGeometry): Omit<Drawing, 'layers'> => ({
  lip: lipRadius,
  arbor: arborRadius,
  width,
});

type DrawnFrom = Omit<LyingLayer, 'lineName' | 'productId'>;

/** A fill as it is drawn small. `kinds`: of the pieces its layers came off. */
export const drawingOfFill = (
  spool: SpoolGeometry,
  layers: readonly DrawnFrom[],
  kinds: ReadonlyMap<number, string>,
): Drawing => ({
  ...spoolOf(spool),
  layers: layers.map(({ innerRadius, outerRadius, line, tint, role, pieceId, length }): DrawnLayer => {
    const old = role === 'kept' || kinds.get(pieceId ?? 0) === 'salvage';
    const texture = old ? 'salvage' : line.material;
    return {
      inner: innerRadius,
      outer: outerRadius,
      texture,
      tint,
      role,
      lengthMm: Math.round(1000 * length),
    };
  }),
});

/** Share of a spool's room that line takes up, where a plan's own is not kept. Common practice, no source. */
const USUAL_PACKING = 0.7;
/** Width drawn where nothing tells it: as wide as a spool's lip is high, mm. */
const USUAL_WIDTH = 20;

/**
 * A plan as it is drawn small: its lip and arbor as planned, its width as measured, or as the length of its thickest layer
 * comes to. `tints`: of the lines that were chosen for its layers.
 */
export function drawingOfPlan(
  { observations }: Pick<PlanInput, 'observations'>,
  { layers, gap }: FillPlan,
  tints: ReadonlyMap<string, string>,
): Drawing {
  const measured = observations.find((one) => one.kind === 'width');
  const thickest = [...layers].sort(
    (a, b) => b.outerRadius - b.innerRadius - a.outerRadius + a.innerRadius,
  )[0];
  return {
    lip: (layers.at(-1)?.outerRadius ?? 0) + gap.value,
    arbor: layers[0]?.innerRadius ?? 0,
    width: measured?.kind === 'width' ? measured.width : widthBy(thickest),
    layers: layers.flatMap((layer) => drawnLayer(layer, tints)),
  };
}

function widthBy(layer: PlannedLayer | undefined): number {
  if (layer?.request.kind !== 'line' || layer.outerRadius <= layer.innerRadius) return USUAL_WIDTH;
  const wound = layer.length.value * 1000 * woundArea(layer.request.line.diameter, 1, USUAL_PACKING);
  return wound / (Math.PI * (layer.outerRadius ** 2 - layer.innerRadius ** 2));
}

function drawnLayer(
  { id, request, innerRadius, outerRadius, length }: PlannedLayer,
  tints: ReadonlyMap<string, string>,
): DrawnLayer[] {
  const at = { inner: innerRadius, outer: outerRadius, lengthMm: Math.round(length.value * 1000) };
  switch (request.kind) {
    case 'line':
      return [
        { ...at, texture: request.line.material, tint: tints.get(id) ?? LINE_TINTS.kept, role: request.role },
      ];
    case 'retained':
      return [{ ...at, texture: 'salvage', tint: LINE_TINTS.kept, role: 'kept' }];
    case 'tape':
      return [{ ...at, texture: 'tail', tint: LINE_TINTS.tape, role: 'tape' }];
    default:
      return [];
  }
}
