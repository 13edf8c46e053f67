import type { Run } from '@yard-spool/contract';
import { type LineStyle, PALETTE, type RunUnderWay, type SectionView, stepId } from '@yard-spool/core';
import { KEPT_STYLE, TAPE_STYLE } from '../drawing/plan-drawing';

/** How a layer of a run is drawn. */
export function layerStyle({ job }: Run, layer: string): LineStyle {
  const cut = job.cuts.find((one) => one.layer === layer);
  const request = job.planInput.request.layers.find(({ id }) => id === layer);
  if (request?.kind === 'retained') return KEPT_STYLE;
  if (request?.kind === 'tape') return TAPE_STYLE;
  const material = request?.kind === 'line' ? request.line.material : 'nylon';
  return { texture: cut?.pieceKind === 'salvage' ? 'salvage' : material, tint: cut?.tint ?? PALETTE.line };
}

/** The spool under the handle as it fills, with its stop, its join, and where the line is now. */
export function benchSection(
  run: Run,
  { spool, wound, winding, request }: RunUnderWay,
  small: (millimetres: number) => string,
): SectionView {
  const drawn = new Set(request.layers.flatMap(({ kind, id }) => (kind === 'reducer' ? [] : [id])));
  const on = wound.filter(({ id, innerRadius, outerRadius }) => drawn.has(id) && outerRadius > innerRadius);
  const now = on.at(-1);
  const gap = request.gap ?? run.job.plan.gap.value;
  const stop = winding?.planned.depthAfter.value;
  const joins = winding !== null && request.layers.at(-1)?.id !== winding.layer && stop !== undefined;
  return {
    ...spool.spool,
    layers: on.map(({ id, innerRadius, outerRadius }) => ({
      inner: innerRadius,
      outer: outerRadius,
      lineStyle: layerStyle(run, id),
      label: id,
    })),
    marks: [
      { kind: 'stop', depth: gap, text: `${small(gap)} stop` },
      ...(joins ? [{ kind: 'join' as const, depth: stop, text: `${small(stop)} join` }] : []),
      ...(now ? [{ kind: 'now' as const, depth: now.depthAfter, text: small(now.depthAfter) }] : []),
    ],
  };
}

/** Metres and handle turns each layer comes to from here, by layer id. */
export function layersAhead(
  run: Run,
  { wound, plan }: RunUnderWay,
  done: ReadonlySet<string>,
): { readonly lengths: Record<string, number>; readonly totals: Record<string, number> } {
  const lengths: Record<string, number> = {};
  const totals: Record<string, number> = {};
  // As it is wound here: main first, its depths and turns are those of the first winding.
  const planned = plan?.layers ?? run.job.plan.layers;
  for (const { id, length, handleTurns } of planned) {
    const on = wound.find((layer) => layer.id === id);
    const finished = done.has(stepId('wind', id)) ? on : undefined;
    lengths[id] = finished?.length ?? length.value;
    totals[id] = finished?.handleTurns ?? handleTurns.value;
  }
  return { lengths, totals };
}
