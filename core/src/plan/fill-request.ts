import type { Line } from '../lines/line';
import type { Level } from '../quantities/level';

/** What a layer is there for. Decides words and warnings, never the arithmetic. */
export type LayerRole = 'backing' | 'main' | 'cushion' | 'top-shot';

/** How much of a line goes on: metres, as much as fits, or up to a level. */
export type LayerLength = number | 'fits' | Level;

/** One layer of a fill, from the arbor outwards. */
export type LayerRequest =
  | {
      readonly kind: 'line';
      readonly id: string;
      readonly role: LayerRole;
      readonly line: Line;
      readonly length: LayerLength;
      /** Metres at its start that lie inside or along the end of the layer below (a spliced overlap). */
      readonly overlap?: number;
      /** Water it holds when it is wound, as a share of all it can take up; 0, dry, unless said. */
      readonly soaked?: number;
    }
  | {
      readonly kind: 'tape';
      readonly id: string;
      /** mm per wrap. */
      readonly thickness: number;
      readonly wraps: number | 'fits';
    }
  | {
      readonly kind: 'retained';
      readonly id: string;
      /** What is known of the old line left on the spool. */
      readonly line: Line;
      readonly left: { readonly length: number } | Level;
    }
  | {
      readonly kind: 'reducer';
      readonly id: string;
      /** Outer diameter the reducer or spacer gives the arbor, mm. */
      readonly diameter: number;
    };

/**
 * What is to go on. Exactly one thing gives way: a layer that "fits", or else the gap that results. A level above a layer
 * that fits would leave that one two ends to meet, and is refused.
 */
export interface FillRequest {
  readonly layers: readonly LayerRequest[];
  /** Gap below the lip to stop at, mm. Left out where every layer is given and the gap is asked for. */
  readonly gap?: number;
  /** Gap the house leaves on such a reel, mm: what comes out is judged by it where none is asked for. */
  readonly house?: number;
  /** Spool or rotor turns per handle turn; 1 on a winder that turns the spool itself. */
  readonly gear: number;
  /** Bore of the line guide, mm, where a thick join might not pass it. */
  readonly guideBore?: number;
}
