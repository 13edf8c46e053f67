import { dot } from '../numeric/jacobian';
import type { LayerRequest } from '../plan/fill-request';
import type { Line } from '../lines/line';
import { isMeter } from '../spool/factors';
import { FIRST_BULK, PLACE, bulkBelief } from '../spool/parameters';
import type { SettledFill } from '../settle/settled-fill';

/** What one closed fill says of packing and bulk, beyond what was believed before. */
export interface Lesson {
  /** How each line took part: its key, and its share of the wound space. */
  readonly lines: readonly {
    readonly key: string;
    readonly material: Line['material'];
    readonly share: number;
  }[];
  /** ln φ − Σ share · ln κ, less the same of the beliefs, as the fill alone says it. */
  readonly value: number;
  /** One over its variance; 0 where the fill says nothing. */
  readonly precision: number;
  /** The same for each factor that was open: a print system's diameters, a line meter's scale. */
  readonly prints: readonly { readonly name: string; readonly value: number; readonly precision: number }[];
}

/**
 * The lesson of a fill. Only φ/κ ever shows, so that is what is kept, as likelihood: the settled figure with what was
 * believed beforehand taken out again.
 *
 * @param settled settled with the usual beliefs of its type, nothing learned among them, so that nothing is learned twice
 */
export function lessonOf(settled: SettledFill, request: readonly LayerRequest[]): Lesson {
  const { vector, covariance, lines, priors } = settled.spool;
  const volumes = new Map<string, number>();
  request.forEach((layer, i) => {
    const on = settled.layers[i];
    if (layer.kind !== 'line' || !on) return;
    const volume = Math.max(0, on.outerRadius ** 2 - on.innerRadius ** 2);
    volumes.set(layer.line.key, (volumes.get(layer.line.key) ?? 0) + volume);
  });
  const total = [...volumes.values()].reduce((sum, one) => sum + one, 0);
  const took = lines.flatMap(({ key, material }, i) => {
    const share = total > 0 ? (volumes.get(key) ?? 0) / total : 0;
    return share > 0 ? [{ key, material, share, at: FIRST_BULK + i }] : [];
  });
  const slope = vector.map(() => 0);
  slope[PLACE.packing] = 1;
  for (const { share, at } of took) slope[at] = -share;
  const beliefs = took.map((line) => ({ ...bulkBelief(line, priors), share: line.share }));
  const before = {
    mean:
      Math.log(priors.packing.median) -
      beliefs.reduce((sum, { share, median }) => sum + share * Math.log(median), 0),
    variance: priors.packing.sd ** 2 + beliefs.reduce((sum, { share, sd }) => sum + (share * sd) ** 2, 0),
  };
  const after = {
    mean: dot(slope, vector),
    variance: dot(
      slope,
      covariance.map((row) => dot(row, slope)),
    ),
  };
  return {
    lines: took.map(({ key, material, share }) => ({ key, material, share })),
    ...without(before, after),
    prints: settled.factors.flatMap(({ name, belief, value, variance }) => {
      if (!name.startsWith('strength-') && !name.startsWith('size-') && !isMeter(name)) return [];
      const mean = Math.log(belief.median);
      return [{ name, ...without({ mean, variance: belief.sd ** 2 }, { mean: value, variance }) }];
    }),
  };
}

interface Moment {
  readonly mean: number;
  readonly variance: number;
}

/** What has to be added to one normal belief to make the other: its distance from the first, and its precision. */
function without(before: Moment, after: Moment): { readonly value: number; readonly precision: number } {
  const precision = after.variance > 0 ? 1 / after.variance - 1 / before.variance : 0;
  if (!(precision > 1e-6)) return { value: 0, precision: 0 };
  return { value: (after.mean - before.mean) / (after.variance * precision), precision };
}
