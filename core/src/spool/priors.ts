import type { ReelType } from '../lines/reel-type';
import type { Material } from '../lines/line';

/** What is believed about a figure before it is looked at: a middle and one standard deviation. */
export interface Belief {
  readonly median: number;
  readonly sd: number;
}

/** How a line was printed where its diameter was not: by strength, or by a size number. */
export type PrintSystem = 'strength' | 'size';

/** Beliefs a spool starts from. `lip`, `aspect`, `arborShare`, `packing` and bulks have relative sd. */
export interface SpoolPriors {
  /** Lip radius, mm. Scaled to the ratings where there are any, as far as its own sd allows. */
  readonly lip: Belief;
  /** Winding width over lip radius. */
  readonly aspect: Belief;
  /** Arbor radius over lip radius. */
  readonly arborShare: Belief;
  /** Share of the wound space that line of bulk 1 fills. */
  readonly packing: Belief;
  /** Depth below the lip at which ratings are meant, mm, absolute sd. One figure for all ratings of a spool. */
  readonly ratingDepth: Belief;
  /** How much longer a maker prints than fits; one factor for all ratings of a spool. */
  readonly makersBias: Belief;
  /** Bulk by material: the line's real space against its nominal diameter squared. */
  readonly bulk: Readonly<Record<Material, Belief>>;
  /** Bulk by line key, where the shop has learned it; goes before the material's. */
  readonly learnedBulk?: Readonly<Record<string, Belief>>;
  /** True diameter over the one a strength or size number stands for, by `printKey`, where the shop has learned it. */
  readonly learnedPrints?: Readonly<Record<string, Belief>>;
}

/** Beliefs about a spool's bulk, prints and packing that no reel type changes. From memory, no source. */
const SHARED = {
  packing: { median: 0.7, sd: 0.1 },
  ratingDepth: { median: 1.5, sd: 0.5 },
  makersBias: { median: 1, sd: 0.06 },
  bulk: {
    nylon: { median: 1, sd: 0.05 },
    fluorocarbon: { median: 1, sd: 0.05 },
    braid: { median: 1.15, sd: 0.15 },
    'hollow-braid': { median: 1.15, sd: 0.15 },
  },
} as const;

/** Starting beliefs, a fixed spool's. From memory, no source; a shop's own closed fills replace them. */
export const STARTING_PRIORS: SpoolPriors = {
  lip: { median: 24, sd: 0.4 },
  aspect: { median: 0.75, sd: 0.25 },
  arborShare: { median: 0.65, sd: 0.2 },
  ...SHARED,
};

/** Starting beliefs by reel type. From memory, no source. */
const BY_TYPE: Readonly<Record<ReelType, SpoolPriors>> = {
  'fixed-spool': STARTING_PRIORS,
  baitcaster: shaped([17, 0.15], [1.35, 0.15], [0.58, 0.15]),
  spincast: shaped([17, 0.2], [0.5, 0.25], [0.65, 0.2]),
  trolling: shaped([28, 0.2], [1.1, 0.2], [0.45, 0.2]),
  'big-game': shaped([45, 0.3], [1.1, 0.25], [0.45, 0.25]),
};

type Figure = readonly [median: number, sd: number];

function shaped(lip: Figure, aspect: Figure, arborShare: Figure): SpoolPriors {
  const belief = ([median, sd]: Figure): Belief => ({ median, sd });
  return { lip: belief(lip), aspect: belief(aspect), arborShare: belief(arborShare), ...SHARED };
}

/** What is believed of a spool of this type before it is looked at; a fixed spool's where the type is not known. */
export const priorsFor = (type: ReelType = 'fixed-spool'): SpoolPriors => BY_TYPE[type];

/**
 * How far a reading is usually off, one standard deviation. From memory, no source. `rating` (beside the bias all ratings
 * of a spool share) and `retrieve` are relative, the rest in mm.
 */
export const READING_SD = {
  rating: 0.03,
  lip: 0.3,
  arbor: 0.5,
  width: 0.4,
  retrieve: 0.03,
  calliper: 0.2,
  eye: 0.6,
} as const;

/** A line meter's scale, relative; one unknown per device. From memory. */
export const METER_SD = 0.01;
