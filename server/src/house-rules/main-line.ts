import type { JobRow } from '../db/models/bags';

/** The main line's code of a job, by which exceptions for a line are found. */
export function mainLineOf({ planInput }: Pick<JobRow, 'planInput'>): string | undefined {
  const lines = planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer] : []));
  return (lines.find(({ role }) => role === 'main') ?? lines.at(-1))?.line.key;
}
