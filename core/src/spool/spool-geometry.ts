/** A spool as the model sees it: a straight-sided annulus, all in mm, with the share of it that line fills. */
export interface SpoolGeometry {
  readonly lipRadius: number;
  readonly width: number;
  /** Radius of the straight arbor with the same volume; for a tapered arbor the root mean square radius. */
  readonly arborRadius: number;
  /** Difference of the two end radii of a tapered arbor; 0 for a straight one. */
  readonly taper: number;
  /** Share of the wound space that line of bulk 1 fills. */
  readonly packing: number;
  /** Depth below the lip at which the maker's ratings were meant. */
  readonly ratingDepth: number;
}

/**
 * Mean radius of the arbor, which decides turns where the root mean square decides volume:
 * (a + b)/2 against √((a² + ab + b²)/3).
 */
export const meanArborRadius = ({
  arborRadius,
  taper,
}: Pick<SpoolGeometry, 'arborRadius' | 'taper'>): number =>
  taper === 0 ? arborRadius : Math.sqrt(Math.max(0, arborRadius * arborRadius - (taper * taper) / 12));

/** Arbor radius that gives a spool a capacity E (m·mm² of length times diameter squared) at its rating depth. */
export function arborForCapacity(
  spool: Omit<SpoolGeometry, 'arborRadius' | 'taper'>,
  capacity: number,
): number | null {
  const full = spool.lipRadius - spool.ratingDepth;
  const squared = full * full - (1000 * capacity) / (4 * spool.packing * spool.width);
  return squared > 0 ? Math.sqrt(squared) : null;
}
