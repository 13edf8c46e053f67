import { USUAL_TAPE } from '../quantities/reel-ranges';
import { REQUEST_RANGE } from '../plan/check-request';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import { isWithin } from '../numeric/bounded';
import type { RunState } from './run-state';

type Notes = RunState['notes'];

const noted = (
  notes: Notes,
  step: 'grip' | 'reducer',
  field: string,
  range: readonly [number, number],
): number | null => {
  const value = notes[step]?.[field];
  return typeof value === 'number' && isWithin(value, ...range) ? value : null;
};

/** What was written down at the arbor. */
const underlay = (notes: Notes) => ({
  wraps: noted(notes, 'grip', 'wraps', REQUEST_RANGE.wraps),
  thickness: noted(notes, 'grip', 'thickness', REQUEST_RANGE.thickness),
  diameter: noted(notes, 'reducer', 'diameter', REQUEST_RANGE.reducer),
});

/** Whether the same is written down of what lies below the line. */
export const sameUnderlay = (a: Notes, b: Notes): boolean =>
  a === b || JSON.stringify(underlay(a)) === JSON.stringify(underlay(b));

/**
 * The fill with tape and reducer as they were written down at the arbor. Tape nobody planned lies below everything that is
 * wound: it takes room all the same.
 */
export function asNoted(request: FillRequest, notes: Notes): FillRequest {
  const { wraps, thickness, diameter } = underlay(notes);
  if (wraps === null && thickness === null && diameter === null) return request;
  const layers = request.layers.map((layer): LayerRequest => {
    if (layer.kind === 'tape')
      return { ...layer, wraps: wraps ?? layer.wraps, thickness: thickness ?? layer.thickness };
    return layer.kind === 'reducer' ? { ...layer, diameter: diameter ?? layer.diameter } : layer;
  });
  if (wraps === null || wraps === 0 || layers.some(({ kind }) => kind === 'tape'))
    return { ...request, layers };
  const first = layers.findIndex(({ kind }) => kind === 'line');
  const tape = { kind: 'tape', id: 'tape', wraps, thickness: thickness ?? USUAL_TAPE } as const;
  return { ...request, layers: [...layers.slice(0, first), tape, ...layers.slice(first)] };
}
