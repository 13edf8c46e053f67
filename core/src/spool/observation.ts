import { DEPTH_RANGE } from '../quantities/reel-ranges';
import type { Line, Material } from '../lines/line';
import type { PrintSystem } from './priors';

/** One line as it lies on the spool, by its length in m, or by the spool turns counted. */
export type WoundLine = { readonly line: Line } & (
  { readonly length: number } | { readonly spoolTurns: number }
);

/** Something on the spool that is not counted line, mm. */
export type Underlay =
  /** Tape, which raises the surface by its thickness; `sd` how unsure that is. */
  | { readonly rise: number; readonly sd: number }
  /** A reducer, or old line of unknown length: the surface lies at this radius. */
  | { readonly radius: number; readonly sd: number }
  /** Old line kept on by its measured depth below the lip. */
  | { readonly below: number; readonly sd: number };

/** One thing after another as it lies on the spool, from the arbor outwards. */
export type WoundLength = WoundLine | Underlay;

export const isLine = (layer: WoundLength): layer is WoundLine => 'line' in layer;

/** How a line was printed where its diameter was not. */
export interface PrintedBy {
  readonly system: PrintSystem;
  /** Strength in kg, or the size number. */
  readonly figure: number;
}

/** Something known about a spool. Diameters, widths and depths in mm, lengths in m. */
export type Observation =
  | {
      readonly kind: 'rating';
      readonly length: number;
      /** Printed, or what the printed strength or size number usually stands for. */
      readonly diameter: number;
      /** What the maker had in mind; nylon unless the print says otherwise. */
      readonly material?: Material;
      /** Where no diameter is printed. */
      readonly printed?: PrintedBy;
      /** As it was typed, so that it can be read again. */
      readonly text?: string;
    }
  | { readonly kind: 'lip'; readonly diameter: number }
  | {
      readonly kind: 'arbor';
      readonly diameter: number;
      /** Diameter at the other end, for a tapered arbor. */
      readonly farDiameter?: number;
    }
  | { readonly kind: 'width'; readonly width: number }
  | {
      readonly kind: 'retrieve';
      /** Metres wound in by one handle turn of the full spool. */
      readonly perTurn: number;
      readonly gear: number;
    }
  | {
      readonly kind: 'depth';
      /** All that is on the spool when the depth is read, arbor first. */
      readonly layers: readonly WoundLength[];
      /** Depth of the line's surface below the lip. */
      readonly depth: number;
      readonly by: 'calliper' | 'eye';
      /** Spread of the reading where it is not the usual one for calliper or eye, mm. */
      readonly sd?: number;
    }
  | {
      /** So many spool turns brought in so many metres: a stretch over a meter, a pack used up, a piece weighed. */
      readonly kind: 'stretch';
      /** What was on the spool before it, arbor first. */
      readonly layers: readonly WoundLength[];
      readonly line: Line;
      readonly spoolTurns: number;
      readonly length: number;
      /** How unsure length and turns are together, relative. */
      readonly sd: number;
      /** Name of the line meter, whose scale is one unknown; left out where none was used. */
      readonly meter?: string;
    };

/** Least and most each kind of observation may say, in its own unit. */
export const OBSERVATION_RANGE = {
  rating: { length: [5, 5000], diameter: [0.04, 3], figure: [0.05, 400] },
  lip: { diameter: [12, 250] },
  arbor: { diameter: [4, 230] },
  width: { width: [3, 200] },
  retrieve: { perTurn: [0.1, 3], gear: [0.5, 12] },
  depth: { depth: DEPTH_RANGE, length: [0, 5000], spoolTurns: [0, 60_000], sd: [0.01, 20] },
  underlay: { rise: [0, 60], radius: [1, 130], below: DEPTH_RANGE, sd: [0, 20] },
  stretch: { length: [0.1, 5000], spoolTurns: [0.1, 60_000], sd: [0.0005, 1] },
} as const;
