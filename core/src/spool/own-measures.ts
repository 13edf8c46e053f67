import type { Observation } from './observation';

/**
 * What was measured or read of a reel itself. Depths and stretches belong to what lay on it once: they come from its fills
 * again, and taken along with a plan they would be counted twice.
 */
export const ownMeasures = (observations: readonly Observation[]): Observation[] =>
  observations.filter(({ kind }) => kind !== 'depth' && kind !== 'stretch');
