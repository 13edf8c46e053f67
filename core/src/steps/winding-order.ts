import type { FillRequest, LayerRequest } from '../plan/fill-request';
import type { RunFacts } from './run-facts';

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

/** The layers of line of a fill, arbor first. */
export const lineLayers = ({ layers }: FillRequest): LineLayer[] =>
  layers.filter((layer): layer is LineLayer => layer.kind === 'line');

/**
 * The fill as it is wound. Main first turns the layers round: the main on the arbor, the backing on top to the gap; the
 * same lengths lie the other way round once all of it was wound over.
 */
export function windingRequest({ request, mainFirst }: Pick<RunFacts, 'request' | 'mainFirst'>): FillRequest {
  const lines = lineLayers(request);
  if (!mainFirst || lines.length !== 2) return request;
  return {
    ...request,
    layers: [...request.layers.filter(({ kind }) => kind !== 'line'), ...[...lines].reverse()],
  };
}

/** Whether the layers of a run are wound main first and swapped over. */
export const isSwap = ({ request, mainFirst }: Pick<RunFacts, 'request' | 'mainFirst'>): boolean =>
  mainFirst && lineLayers(request).length === 2;
