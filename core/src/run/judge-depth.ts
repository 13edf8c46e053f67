import { READING_SD } from '../spool/priors';
import type { DepthReading } from './run-state';
import type { RunUnderWay } from './under-way';

/** What a depth is worth before it is believed. */
export interface DepthJudgement {
  /** Depth by the count, mm, and how sure that is, one standard deviation. */
  readonly expected: number;
  readonly sd: number;
  readonly verdict: 'fits' | 'unlikely' | 'impossible';
  readonly sentence: string;
}

/** A reading this many standard deviations off is read again before it is believed. */
const UNLIKELY = 3;

/**
 * Looks at a depth before it is believed: deeper than what lies below the layer, or above the lip by more than a heap of
 * line stands, cannot be; far from what the count says is read again.
 *
 * @param after id of the layer whose surface was measured
 * @param at its depth below the lip, mm, and how it was read
 */
export function judgeDepth(
  { wound, winding, spool, request }: RunUnderWay,
  after: string,
  { depth, by }: Pick<DepthReading, 'depth' | 'by'>,
): DepthJudgement {
  const top = after === 'gap' ? wound.at(-1) : wound.find(({ id }) => id === after);
  const start = spool.spool.lipRadius - (top?.innerRadius ?? spool.spool.arborRadius);
  const expected = top?.depthAfter ?? start;
  const planned = winding?.plan.layers.find(({ id }) => id === after);
  const sd = planned?.depthAfter.sd ?? spool.deviation.lipRadius;
  const base = { expected, sd };
  const slack = UNLIKELY * READING_SD[by] + UNLIKELY * spool.deviation.lipRadius;
  if (depth > start + slack)
    return {
      ...base,
      verdict: 'impossible',
      sentence: `${depth.toFixed(1)} mm is deeper than what lies below this layer, at ${start.toFixed(1)} mm. Measure again from the lip.`,
    };
  const proud = request.layers.length > 0 ? -3 : 0;
  if (depth < proud)
    return {
      ...base,
      verdict: 'impossible',
      sentence: `${depth.toFixed(1)} mm would stand more than 3 mm above the lip. Measure again from the lip.`,
    };
  const off = Math.abs(depth - expected) / Math.hypot(sd, READING_SD[by]);
  if (off > UNLIKELY)
    return {
      ...base,
      verdict: 'unlikely',
      sentence: `${depth.toFixed(1)} mm is far from the ${expected.toFixed(1)} mm the count comes to. Measure once more, and look whether the count is right.`,
    };
  return {
    ...base,
    verdict: 'fits',
    sentence: `${depth.toFixed(1)} mm, by the count ${expected.toFixed(1)} mm.`,
  };
}
