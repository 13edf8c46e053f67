import type { Line, Material } from '../lines/line';

/** One line as it lies on the spool, from the arbor outwards: by its length in m, or by the spool turns counted. */
export type WoundLength = { readonly line: Line } & (
  { readonly length: number } | { readonly spoolTurns: number }
);

/** Something known about a spool. Diameters, widths and depths in mm, lengths in m. */
export type Observation =
  | {
      readonly kind: 'rating';
      readonly length: number;
      readonly diameter: number;
      /** What the maker had in mind; nylon unless the print says otherwise. */
      readonly material?: Material;
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
    };

/** Least and most each kind of observation may say, in its own unit. */
export const OBSERVATION_RANGE = {
  rating: { length: [5, 5000], diameter: [0.04, 3] },
  lip: { diameter: [12, 250] },
  arbor: { diameter: [4, 230] },
  width: { width: [3, 200] },
  retrieve: { perTurn: [0.1, 3], gear: [0.5, 12] },
  depth: { depth: [-3, 80], length: [0, 5000], spoolTurns: [0, 60_000] },
} as const;
