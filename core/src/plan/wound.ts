import { woundArea } from '../lines/line';
import type { FillRequest, LayerRequest } from './fill-request';
import { stackLayers } from './stack';
import { bulkIn, type Estimate } from '../spool/estimate';
import { lengthBetween, radiusAfter, turnsBetween } from '../winding/winding';
import { segmentsOf, type Segment, type Segments } from './segments';

/** One layer as it was wound: metres from what was counted, depth below the lip in mm. */
export interface WoundLayer {
  readonly id: string;
  readonly handleTurns: number;
  readonly length: number;
  readonly innerRadius: number;
  readonly outerRadius: number;
  readonly depthAfter: number;
}

/**
 * What lies on the spool after what was counted for each layer. Each layer starts where the one below really ended,
 * so a backing that came out short makes the main's turns bring in less line each; and within a layer each go starts
 * where the one before ended, so turns by hand and metres over a meter add up.
 */
export function woundSoFar(estimate: Estimate, request: FillRequest, segments: Segments): WoundLayer[] {
  const { spool } = estimate;
  let inner = spool.arborRadius;
  return request.layers.map((layer) => {
    const start = inner;
    const { length, outer, spoolTurns } =
      layer.kind === 'line'
        ? wind(layer, segmentsOf(segments, layer.id))
        : { ...laid(layer.kind === 'tape' ? wrapped(layer) : layer), spoolTurns: 0 };
    inner = outer;
    return {
      id: layer.id,
      handleTurns: spoolTurns / request.gear,
      length,
      innerRadius: start,
      outerRadius: outer,
      depthAfter: spool.lipRadius - outer,
    };
  });

  function wind(
    layer: Extract<LayerRequest, { kind: 'line' }>,
    goes: readonly Segment[],
  ): { length: number; outer: number; spoolTurns: number } {
    const area = woundArea(layer.line.diameter, bulkIn(estimate, layer.line), spool.packing);
    const start = inner;
    let radius = start;
    // A meter's metres are told as they were read, to the digit.
    let length = 0;
    for (const go of goes) {
      const before = radius;
      const to =
        'metres' in go
          ? radiusAfter(spool.width, before, area, go.metres)
          : before + (go.spoolTurns * area) / spool.width;
      radius = Math.max(start, to);
      length +=
        'metres' in go && radius > start ? go.metres : lengthBetween(spool.width, before, radius, area);
    }
    return { length, outer: radius, spoolTurns: turnsBetween(spool.width, start, radius, area) };
  }

  /** Wraps of tape that make up the room follow from all layers together, never from the tape alone. */
  function wrapped(tape: Extract<LayerRequest, { kind: 'tape' }>): LayerRequest {
    if (tape.wraps !== 'fits') return tape;
    const { layers } = stackLayers(spool, (line) => bulkIn(estimate, line), request);
    return { ...tape, wraps: layers.find(({ id }) => id === tape.id)?.wraps ?? 0 };
  }

  function laid(layer: LayerRequest): { length: number; outer: number } {
    const known = { ...spool, arborRadius: inner };
    const [only] = stackLayers(known, (line) => bulkIn(estimate, line), {
      ...request,
      layers: [layer],
    }).layers;
    return { length: only?.length ?? 0, outer: only?.outer ?? inner };
  }
}
