import { FARTHEST, levelFor } from './counter-model';
import { metresPer, type CounterUnit } from './counter-unit';
import { payOut, withMoved, type CounterSpool } from './paid-out';

/** How near the lip, and how far below it, line may stand, mm. */
export interface Limits {
  readonly least: number;
  readonly most: number;
}

/** A little below the lip, and a gap that still looks filled. Common practice, no source. */
export const USUAL_LIMITS: Limits = { least: 0.5, most: 6 };

/** Why a counter cannot be matched, and what would help. */
export interface OutOfReach {
  /** The level wanted lies above what the lip allows, or deeper than a filled spool is left. */
  readonly past: 'lip' | 'gap';
  /** A main this many times as thick could be matched, on the same backing; null where none can. */
  readonly main: number | null;
  /** The longest shorter mark at which this main can be matched, m; null where none can. */
  readonly shorter: number | null;
  /** What the counter reads at the mark at the level that comes nearest; null where the spool is empty before the mark. */
  readonly reads: number | null;
}

/**
 * Whether the level at which a counter agrees lies within the limits. Past the lip only a thinner main helps, which drops
 * the spool less on the way out; backing does not, while the tape's length stays in the main.
 */
export function outOfReach(
  spool: CounterSpool,
  perTurn: number,
  { match, unit }: { readonly match: number; readonly unit: CounterUnit },
  limits: Limits = USUAL_LIMITS,
): OutOfReach | null {
  const highest = spool.lip - limits.least;
  const lowest = spool.lip - limits.most;
  // A spool that runs empty before the mark has turned without end.
  const reading = (outer: number, area = 1): number => {
    const { turns, length } = payOut(thick({ ...spool, outer }, area), match);
    return length < match - 1e-6 ? Infinity : perTurn * turns;
  };
  const wanted = match / metresPer(unit);
  const level = levelFor(spool, perTurn, { length: match, reading: wanted }, FARTHEST * spool.lip);
  if (level !== null && level <= highest && level >= lowest) return null;
  const past = reading(highest) > wanted ? 'lip' : 'gap';
  const edge = past === 'lip' ? highest : lowest;
  const reads = reading(edge);
  return {
    past,
    main: thicknessFor((area) => reading(edge, area) - wanted),
    shorter: shorterMark(spool, perTurn, { match, unit }, { highest, lowest }),
    reads: Number.isFinite(reads) ? reads : null,
  };
}

/**
 * What would help where the level at which a counter agrees is past the lip by the room there is, whatever the walks make
 * of the spool.
 *
 * @param room metres of its main that still go on
 */
export function pastTheLip(
  spool: CounterSpool,
  perTurn: number,
  asked: { readonly match: number; readonly unit: CounterUnit },
  { room = 0, limits = USUAL_LIMITS }: { readonly room?: number; readonly limits?: Limits },
): OutOfReach {
  const full = withMoved(spool, Math.max(0, room)).outer;
  const within = { ...limits, least: Math.max(limits.least, spool.lip - full) };
  const found = outOfReach(spool, perTurn, asked, within);
  return found ?? { past: 'lip', main: null, shorter: null, reads: asked.match / metresPer(asked.unit) };
}

const thick = (spool: CounterSpool, factor: number): CounterSpool => ({
  ...spool,
  layers: spool.layers.map((layer, i) => (i === 0 ? { ...layer, area: layer.area * factor } : layer)),
});

/** Mains looked at, thinnest and thickest, as shares of this one's diameter. */
const MAINS = [0.4, 2.5] as const;

/** The diameter, as a share of this one, whose counter would read just true; the reading grows with it. */
function thicknessFor(off: (area: number) => number): number | null {
  let [thin, thickest] = [MAINS[0], MAINS[1]] as [number, number];
  if (off(thin * thin) > 0 || off(thickest * thickest) < 0) return null;
  for (let i = 0; i < 40; i += 1) {
    const middle = (thin + thickest) / 2;
    if (off(middle * middle) > 0) thickest = middle;
    else thin = middle;
  }
  return (thin + thickest) / 2;
}

/** Marks people use, in the counter's unit: every five. */
const MARK = 5;

function shorterMark(
  spool: CounterSpool,
  perTurn: number,
  { match, unit }: { readonly match: number; readonly unit: CounterUnit },
  { highest, lowest }: { readonly highest: number; readonly lowest: number },
): number | null {
  const per = metresPer(unit);
  for (let mark = Math.ceil(match / per / MARK - 1) * MARK; mark * per >= 5; mark -= MARK) {
    const level = levelFor(spool, perTurn, { length: mark * per, reading: mark }, highest);
    if (level !== null && level >= lowest) return mark * per;
  }
  return null;
}
