/**
 * Winding in closed form: the line fills the annulus between two radii with wound area e a length.
 * Radii and width in mm, e in mm², length in m, turns as a count of spool turns.
 *
 * Source: equal volumes, V = π W (R² − r²) = 1000 e L. The same rule stands in wire-rope handbooks as drum
 * capacity (Wire Rope Technical Board, Wire Rope Users Manual; title from memory) and as the length of any
 * wound roll, L = π (D² − d²)/(4 t). Measured against the layer-by-layer sum in `layer-sum.ts`: within 0.1 %
 * from the second layer on.
 */

/** Length that fills the annulus, m. */
export const lengthBetween = (width: number, inner: number, outer: number, woundArea: number): number =>
  (Math.PI * width * (outer * outer - inner * inner)) / (1000 * woundArea);

/** Radius after winding a length on top of `inner`, mm. */
export const radiusAfter = (width: number, inner: number, woundArea: number, length: number): number =>
  Math.sqrt(Math.max(0, inner * inner + (1000 * length * woundArea) / (Math.PI * width)));

/** Spool turns that bring the line from one radius to the other. */
export const turnsBetween = (width: number, inner: number, outer: number, woundArea: number): number =>
  (width * (outer - inner)) / woundArea;

/** Length on the spool after a number of spool turns from `inner`, m. */
export const lengthAfterTurns = (width: number, inner: number, woundArea: number, turns: number): number =>
  lengthBetween(width, inner, inner + (turns * woundArea) / width, woundArea);
