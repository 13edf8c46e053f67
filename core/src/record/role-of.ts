import type { RunFacts } from '../steps/run-facts';

/** What a layer is, by its id in the fill; the id itself where the fill has no such layer of line. */
export function roleOf(id: string, { request }: Pick<RunFacts, 'request'>): string {
  const layer = request.layers.find((one) => one.id === id);
  return layer?.kind === 'line' ? layer.role : id;
}
