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
  let [radius, length, left] = [start, 0, turns];
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
  let [radius, on, turns] = [start, 0, 0];
  while (on < length) {
    const round = (2 * Math.PI * (radius + area / width / 2)) / 1000;
    const part = Math.min(1, (length - on) / round);
    on += part * round;
    radius += (part * area) / width;
    turns += part;
  }
  return { radius, length: on, turns };
}
