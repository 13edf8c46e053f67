import { bounded } from '../numeric/bounded';
import type { FillPlan, PlannedLayer } from '../plan/fill-plan';

/** Price of one metre of each layer by its id, in the shop's money. */
export type PricePerMetre = Readonly<Record<string, number>>;

/** Money the line of a plan costs, and the most and least it may come to with the lengths' ranges. */
export interface LineCost {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** More than any metre costs, in any money. */
const DEAREST = 1_000_000;

const priceOf = (prices: PricePerMetre, layer: string): number =>
  Object.hasOwn(prices, layer) ? bounded(prices[layer] ?? 0, 0, DEAREST) : 0;

/** Cost of all line layers of a plan; layers without a price, tape and old line kept on cost nothing. */
export function lineCost({ layers }: Pick<FillPlan, 'layers'>, prices: PricePerMetre): LineCost {
  const sum = (length: (layer: PlannedLayer) => number): number =>
    layers.reduce(
      (total, layer) =>
        layer.request.kind === 'line' ? total + length(layer) * priceOf(prices, layer.id) : total,
      0,
    );
  return {
    value: sum(({ length }) => length.value),
    low: sum(({ length }) => length.low),
    high: sum(({ length }) => length.high),
  };
}
