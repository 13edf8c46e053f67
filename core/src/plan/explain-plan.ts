import { woundArea } from '../lines/line';
import { bulkIn, type Estimate } from '../spool/estimate';
import type { FillPlan } from './fill-plan';

/** One step of how a figure came about: what it is in words, and the sum with its numbers. */
export interface Reckoning {
  readonly what: string;
  readonly sum: string;
}

/**
 * How a planned layer's figures came about, in the order a person would work them out on paper: the space it takes, the
 * length that fills it, and the handle turns that takes. Lengths in m, the rest in mm, as the core reckons.
 */
export function explainLayer(
  plan: FillPlan,
  estimate: Estimate,
  layerId: string,
  gear: number,
): readonly Reckoning[] {
  const layer = plan.layers.find(({ id }) => id === layerId);
  if (layer?.request.kind !== 'line') return [];
  const { width, packing, lipRadius } = estimate.spool;
  const { line } = layer.request;
  const bulk = bulkIn(estimate, line);
  const area = woundArea(line.diameter, bulk, packing);
  const inner = layer.innerRadius.toFixed(2);
  const outer = layer.outerRadius.toFixed(2);
  return [
    {
      what: 'Space one length of line takes',
      sum: `π × ${line.diameter.toFixed(2)}² ÷ 4 × bulk ${bulk.toFixed(2)} ÷ packing ${packing.toFixed(2)} = ${area.toFixed(4)} mm²`,
    },
    {
      what: `From radius ${inner} to ${outer} mm`,
      sum: `lip ${lipRadius.toFixed(2)} less depth ${(lipRadius - layer.outerRadius).toFixed(2)} = ${outer} mm`,
    },
    {
      what: 'Length that fills it',
      sum: `π × ${width.toFixed(1)} × (${outer}² − ${inner}²) ÷ (1000 × ${area.toFixed(4)}) = ${layer.length.value.toFixed(1)} m`,
    },
    {
      what: 'Handle turns',
      sum: `${width.toFixed(1)} × (${outer} − ${inner}) ÷ ${area.toFixed(4)} ÷ gear ${gear.toFixed(1)} = ${layer.handleTurns.value.toFixed(0)}`,
    },
  ];
}
