import { fail, succeed, type Issue, type Result } from '../issue';
import { parseQuantity } from './parse-quantity';
import type { UnitSystem } from './units';

/** A printed rating: how much of which line a spool holds. m and mm. */
export interface Rating {
  readonly length: number;
  readonly diameter: number;
}

const LIMITS = { length: { min: 5, max: 5000 }, diameter: { min: 0.04, max: 3 } } as const;

const unreadable = (text: string): Issue => ({
  code: 'not-a-rating',
  severity: 'error',
  sentence: `"${text.trim()}" is not a rating. Write length and diameter like 210 × 0.25 or 230 yd × .010 in.`,
});

/**
 * Reads a printed rating: `210 × 0.25`, `210m/0.25mm`, `230 yd x .010 in`, `0.25/210`. Where both numbers are bare the
 * larger is the length, since no line is as thick as the shortest fill is long.
 */
export function parseRating(text: string, system: UnitSystem = 'metric'): Result<Rating> {
  const parts = text
    .trim()
    .split(/\s*[x×*/@]\s*|\s*-\s+/i)
    .filter(Boolean);
  const [front, back] = parts;
  if (parts.length !== 2 || front === undefined || back === undefined) return fail(unreadable(text));
  const inOrder = read(front, back, system);
  if (inOrder.ok) return inOrder;
  const turned = read(back, front, system);
  return turned.ok ? turned : inOrder;
}

function read(length: string, diameter: string, system: UnitSystem): Result<Rating> {
  const metres = parseQuantity(length, 'line-length', system, LIMITS.length);
  if (!metres.ok) return metres;
  const millimetres = parseQuantity(diameter, 'small-length', system, LIMITS.diameter);
  if (!millimetres.ok) return millimetres;
  return succeed({ length: metres.value.value, diameter: millimetres.value.value });
}
