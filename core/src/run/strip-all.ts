import type { StepKind } from '../steps/run-facts';
import type { RunState } from './run-state';

/** Steps that are done again once all line came off: from the arbor's grip on. */
const STAYS_DONE = new Set<StepKind>(['strip', 'mount']);

/** Layers of line that anything is on of, the one on top first: in that order they come off. */
export const layersOn = ({ wound, byEye }: Pick<RunState, 'wound' | 'byEye'>): string[] =>
  [...new Set([...Object.keys(wound), ...byEye.keys()])]
    .filter((layer) => (wound[layer] ?? []).length > 0 || byEye.has(layer))
    .reverse();

/** Steps that are to do again where all line comes off, because the coil turns on the arbor. */
export const stepsToStrip = ({ steps, done }: Pick<RunState, 'steps' | 'done'>): string[] =>
  steps.filter(({ id, kind }) => done.has(id) && !STAYS_DONE.has(kind)).map(({ id }) => id);
