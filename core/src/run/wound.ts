import { woundArea, type Line } from '../lines/line';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { stackLayers } from '../plan/stack';
import type { Estimate } from '../spool/estimate';
import { bulkBelief } from '../spool/parameters';
import { FIRST_BULK } from '../spool/parameters';
import { lengthAfterTurns } from '../winding/winding';

/** One layer as it was wound: metres from the handle turns counted, depth below the lip in mm. */
export interface WoundLayer {
  readonly id: string;
  readonly handleTurns: number;
  readonly length: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
  readonly depthAfter: number;
}

/** The bulk an estimate gives a line: what was inferred, else what is believed. */
export const bulkIn = (estimate: Estimate, line: Line): number => {
  const place = estimate.lines.findIndex(({ key }) => key === line.key);
  return place < 0
    ? bulkBelief(line, estimate.priors).median
    : Math.exp(estimate.vector[FIRST_BULK + place] ?? 0);
};

/**
 * What lies on the spool after the turns counted for each layer. Each layer starts where the one below really ended,
 * so a backing that came out short makes the main's turns bring in less line each.
 *
 * @param turns handle turns by layer id; a layer without an entry has none
 */
export function woundSoFar(
  estimate: Estimate,
  request: FillRequest,
  turns: Readonly<Record<string, number>>,
): WoundLayer[] {
  const { spool } = estimate;
  let inner = spool.arborRadius;
  return request.layers.map((layer) => {
    const handleTurns = Math.max(0, turns[layer.id] ?? 0);
    const start = inner;
    const { length, outer } = layer.kind === 'line' ? wind(layer, handleTurns) : laid(layer);
    inner = outer;
    return {
      id: layer.id,
      handleTurns,
      length,
      innerRadius: start,
      outerRadius: outer,
      depthAfter: spool.lipRadius - outer,
    };
  });

  function wind(
    layer: Extract<LayerRequest, { kind: 'line' }>,
    handleTurns: number,
  ): { length: number; outer: number } {
    const area = woundArea(layer.line.diameter, bulkIn(estimate, layer.line), spool.packing);
    const spoolTurns = handleTurns * request.gear;
    return {
      length: lengthAfterTurns(spool.width, inner, area, spoolTurns),
      outer: inner + (spoolTurns * area) / spool.width,
    };
  }

  function laid(layer: LayerRequest): { length: number; outer: number } {
    const known = { ...spool, arborRadius: inner, taper: 0 };
    const [only] = stackLayers(known, (line) => bulkIn(estimate, line), {
      ...request,
      layers: [layer],
    }).layers;
    return { length: only?.length ?? 0, outer: only?.outer ?? inner };
  }
}
