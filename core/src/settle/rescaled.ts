import type { StretchEvidence } from './evidence';

/** A metered stretch with its turns, and those counted below it, taken to be another number of times as many. */
export const rescaled = (seen: StretchEvidence['seen'], turned: number): StretchEvidence['seen'] => ({
  ...seen,
  layers: seen.layers.map((one) =>
    'spoolTurns' in one ? { ...one, spoolTurns: one.spoolTurns * turned } : one,
  ),
  spoolTurns: seen.spoolTurns * turned,
});
