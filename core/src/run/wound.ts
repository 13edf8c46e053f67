import { woundArea } from '../lines/line';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { stackLayers } from '../plan/stack';
import { bulkIn, type Estimate } from '../spool/estimate';
import { meanArborRadius } from '../spool/spool-geometry';
import { lengthBetween, radiusAfter, turnsBetween } from '../winding/winding';

/** One layer as it was wound: metres from the handle turns counted, depth below the lip in mm. */
export interface WoundLayer {
  readonly id: string;
  readonly handleTurns: number;
  readonly length: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
  readonly depthAfter: number;
}

/**
 * What lies on the spool after the turns counted for each layer. Each layer starts where the one below really ended,
 * so a backing that came out short makes the main's turns bring in less line each.
 *
 * @param turns handle turns by layer id; a layer without an entry has none
 * @param metres length by layer id where a line meter counted, m; it goes before the turns
 */
export function woundSoFar(
  estimate: Estimate,
  request: FillRequest,
  turns: Readonly<Record<string, number>>,
  metres: Readonly<Record<string, number>> = {},
): WoundLayer[] {
  const { spool } = estimate;
  let inner = spool.arborRadius;
  return request.layers.map((layer) => {
    const counted = Math.max(0, turns[layer.id] ?? 0);
    const start = inner;
    const { length, outer, handleTurns } =
      layer.kind === 'line'
        ? wind(layer, counted, metres[layer.id])
        : { ...laid(layer.kind === 'tape' ? wrapped(layer) : layer), handleTurns: counted };
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
    metered: number | undefined,
  ): { length: number; outer: number; handleTurns: number } {
    const area = woundArea(layer.line.diameter, bulkIn(estimate, layer.line), spool.packing);
    if (metered !== undefined) {
      const outer = radiusAfter(spool.width, inner, area, metered);
      return {
        length: metered,
        outer,
        handleTurns: turnsBetween(spool.width, inner, outer, area) / request.gear,
      };
    }
    const spoolTurns = handleTurns * request.gear;
    // Turns on a tapered arbor follow its mean radius, the space its root mean square; see `turnsOnto` in the plan.
    const from = inner <= spool.arborRadius ? meanArborRadius(spool) : inner;
    const round = (2 * Math.PI * from * spoolTurns) / 1000;
    const level = from + (spoolTurns * area) / spool.width;
    const length = Math.max(round, lengthBetween(spool.width, inner, level, area));
    return { length, outer: radiusAfter(spool.width, inner, area, length), handleTurns };
  }

  /** Wraps of tape that make up the room follow from all layers together, never from the tape alone. */
  function wrapped(tape: Extract<LayerRequest, { kind: 'tape' }>): LayerRequest {
    if (tape.wraps !== 'fits') return tape;
    const { layers } = stackLayers(spool, (line) => bulkIn(estimate, line), request);
    return { ...tape, wraps: layers.find(({ id }) => id === tape.id)?.wraps ?? 0 };
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
