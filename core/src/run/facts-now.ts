import type { LayerRequest } from '../plan/fill-request';
import type { RunFacts } from '../steps/run-facts';
import type { RunState } from './run-state';

/** What a run is made from as it turned out: with the lines that are really wound. The same facts where all is as planned. */
export function factsNow(facts: RunFacts, { lines }: Pick<RunState, 'lines'>): RunFacts {
  if (Object.keys(lines).length === 0) return facts;
  const layers = facts.request.layers.map((layer): LayerRequest => {
    const line = lines[layer.id];
    return layer.kind === 'line' && line ? { ...layer, line } : layer;
  });
  return { ...facts, request: { ...facts.request, layers } };
}
