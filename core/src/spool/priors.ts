import type { Material } from '../lines/line';

/** What is believed about a figure before it is looked at: a middle and one standard deviation. */
export interface Belief {
  readonly median: number;
  readonly sd: number;
}

/** Beliefs a spool starts from. `lip`, `aspect`, `arborShare`, `packing` and bulks have relative sd. */
export interface SpoolPriors {
  /** Lip radius, mm. Scaled to the first rating where there is one. */
  readonly lip: Belief;
  /** Winding width over lip radius. */
  readonly aspect: Belief;
  /** Arbor radius over lip radius. */
  readonly arborShare: Belief;
  /** Share of the wound space that line of bulk 1 fills. */
  readonly packing: Belief;
  /** Depth below the lip at which ratings are meant, mm, absolute sd. One figure for all ratings of a spool. */
  readonly ratingDepth: Belief;
  /** Bulk by material: the line's real space against its nominal diameter squared. */
  readonly bulk: Readonly<Record<Material, Belief>>;
  /** Bulk by line key, where the shop has learned it; goes before the material's. */
  readonly learnedBulk?: Readonly<Record<string, Belief>>;
}

/** Starting beliefs. From memory, no source; a shop's own closed fills replace them. */
export const STARTING_PRIORS: SpoolPriors = {
  lip: { median: 24, sd: 0.4 },
  aspect: { median: 0.75, sd: 0.25 },
  arborShare: { median: 0.65, sd: 0.2 },
  packing: { median: 0.7, sd: 0.1 },
  ratingDepth: { median: 1.5, sd: 0.5 },
  bulk: {
    nylon: { median: 1, sd: 0.05 },
    fluorocarbon: { median: 1, sd: 0.05 },
    braid: { median: 1.15, sd: 0.15 },
    'hollow-braid': { median: 1.15, sd: 0.15 },
  },
};

/**
 * How far a reading is usually off, one standard deviation. From memory, no source. `rating` and `retrieve` are
 * relative, the rest in mm.
 */
export const READING_SD = {
  rating: 0.04,
  lip: 0.3,
  arbor: 0.5,
  width: 0.4,
  retrieve: 0.03,
  calliper: 0.2,
  eye: 0.6,
} as const;
