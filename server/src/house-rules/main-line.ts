import type { ExceptionFacts, Line } from '@yard-spool/core';
import type { JobRow } from '../db/models/bags';

/** The main line of a job, else what lies on top. */
function mainOf({ planInput }: Pick<JobRow, 'planInput'>): Line | undefined {
  const lines = planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer] : []));
  return (lines.find(({ role }) => role === 'main') ?? lines.at(-1))?.line;
}

/** The main line's code of a job. */
export const mainLineOf = (job: Pick<JobRow, 'planInput'>): string | undefined => mainOf(job)?.key;

/** By which exceptions for a line, or for what it is made of, are found for a job. */
export function lineFacts(job: Pick<JobRow, 'planInput'>): Pick<ExceptionFacts, 'line' | 'material'> {
  const main = mainOf(job);
  return { line: main?.key, material: main?.material };
}
