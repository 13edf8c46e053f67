import type { CounterRequest } from '../counter/counter-match';
import type { CounterSpool } from '../counter/paid-out';

/** One foot, m. */
export const FT = 0.3048;
/** The worked reel: arbor 10, width 25, line 0.45 at a packing of 0.75, wound to 20 mm. */
export const WORKED: CounterSpool = {
  width: 25,
  outer: 20,
  lip: 21,
  layers: [{ inner: 10, area: (Math.PI * 0.45 ** 2) / 4 / 0.75 }],
};
/** Its counter to be matched at 100 ft, with nothing known of it. */
export const request = (more: Partial<CounterRequest> = {}): CounterRequest => ({
  face: { unit: 'ft', step: 1 },
  match: 100 * FT,
  spool: WORKED,
  walks: [],
  moved: 0,
  limits: { least: 0, most: 10 },
  ...more,
});
export const walk = (reading: number, moved = 0, tape = 100 * FT) =>
  ({ tape, reading, moved, over: 'field' }) as const;
