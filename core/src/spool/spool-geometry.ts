/** A spool as the model sees it: a straight-sided annulus, all in mm, with the share of it that line fills. */
export interface SpoolGeometry {
  readonly lipRadius: number;
  readonly width: number;
  /**
   * Radius of the arbor at mid-width. On a tapered arbor the traverse keeps its full width, so layers lie parallel to the
   * taper and the mean of both end radii takes the place of a straight arbor's: V = π W (2 R̄ t + t²), N = W t/e.
   */
  readonly arborRadius: number;
  /** Share of the wound space that line of bulk 1 fills. */
  readonly packing: number;
  /** Depth below the lip at which the maker's ratings were meant. */
  readonly ratingDepth: number;
}

/** How soon the room for a rating rounds off towards zero, mm. */
const ROUNDING = 0.05;

/**
 * Room for line between the arbor and a depth below the lip, mm: never zero, however deep the depth. It rounds off
 * (s ln(1 + e^(x/s))) within a tenth of a millimetre of zero, so that a fit always feels which way there is more.
 */
export function roomTo({ lipRadius, arborRadius }: SpoolGeometry, depth: number): number {
  const room = (lipRadius - depth - arborRadius) / ROUNDING;
  if (room > 40) return ROUNDING * room;
  return ROUNDING * (room < -30 ? Math.exp(Math.max(room, -600)) : Math.log1p(Math.exp(room)));
}

/** Arbor radius that gives a spool a capacity E (m·mm² of length times diameter squared) at its rating depth. */
export function arborForCapacity(spool: Omit<SpoolGeometry, 'arborRadius'>, capacity: number): number | null {
  const full = spool.lipRadius - spool.ratingDepth;
  const squared = full * full - (1000 * capacity) / (4 * spool.packing * spool.width);
  return squared > 0 ? Math.sqrt(squared) : null;
}
