/**
 * Winding one spool turn after another, on a code path of its own: no closed form, no volumes, no square roots. Each
 * turn lies round the radius the surface has then, and raises it by the wound area of one turn over the width. The
 * closed forms of `winding` are checked against it, and simulated shop visits are wound with it.
 */
export interface WoundSpool {
  /** Radius of the surface, mm. */
  readonly radius: number;
  /** Line wound on, m. */
  readonly length: number;
}

/**
 * @param width mm
 * @param start radius of the surface before the first turn, mm
 * @param area wound area of the line, mm²
 * @param turns spool turns; the last may be a part of one
 */
export function windTurns(width: number, start: number, area: number, turns: number): WoundSpool {
  let radius = start;
  let length = 0;
  let left = turns;
  while (left > 0) {
    const part = Math.min(1, left);
    const rise = (part * area) / width;
    length += (part * 2 * Math.PI * (radius + rise / 2)) / 1000;
    radius += rise;
    left -= part;
  }
  return { radius, length };
}

/** Winds until a length is on; returns the turns it took and where the surface stands. */
export function windLength(
  width: number,
  start: number,
  area: number,
  length: number,
): WoundSpool & { readonly turns: number } {
  let radius = start;
  let on = 0;
  let turns = 0;
  while (on < length) {
    const round = (2 * Math.PI * (radius + area / width / 2)) / 1000;
    const part = Math.min(1, (length - on) / round);
    on += part * round;
    radius += (part * area) / width;
    turns += part;
  }
  return { radius, length: on, turns };
}

/**
 * Winds turn by turn on a tapered arbor with a traverse that keeps its full width: turn after turn goes on across the
 * width and back, each round the radius its own place has then, each raising only its own place.
 *
 * @param shape end radii, width in mm and wound area of the line in mm²
 * @param turns spool turns; the last may be a part of one
 * @returns line wound on, m, and how thick the winding is at mid-width, mm
 */
export function windTapered(
  { from, to, width, area }: { from: number; to: number; width: number; area: number },
  turns: number,
): { readonly length: number; readonly thickness: number } {
  // As many places as turns go side by side in a layer about as high as it is wide.
  const places = Math.max(8, Math.round(width / Math.sqrt(area)));
  const rise = (area * places) / width;
  const thick = new Array<number>(places).fill(0);
  let length = 0;
  let left = turns;
  let turn = 0;
  while (left > 0) {
    const layer = Math.floor(turn / places);
    const place = layer % 2 === 0 ? turn % places : places - 1 - (turn % places);
    const part = Math.min(1, left);
    const arbor = from + ((to - from) * (place + 0.5)) / places;
    const on = thick[place] ?? 0;
    length += (part * 2 * Math.PI * (arbor + on + (part * rise) / 2)) / 1000;
    thick[place] = on + part * rise;
    left -= part;
    turn += 1;
  }
  return { length, thickness: thick.reduce((sum, one) => sum + one, 0) / places };
}
