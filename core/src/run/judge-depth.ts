import { READING_SD } from '../spool/priors';
import type { DepthReading } from './run-state';
import { AT_THE_GAP } from './depth-observations';
import type { RunUnderWay } from './under-way';
import { message, type Words } from '../words/message';

/** What a depth is worth before it is believed. */
export interface DepthJudgement {
  /** Depth by the count, mm, and how sure that is, one standard deviation. */
  readonly expected: number;
  readonly sd: number;
  readonly verdict: 'fits' | 'unlikely' | 'impossible';
  readonly sentence: Words;
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
  underWay: RunUnderWay,
  after: string,
  { depth, by }: Pick<DepthReading, 'depth' | 'by'>,
): DepthJudgement {
  const { start, expected, sd } = levelAt(underWay, after);
  const said = (verdict: DepthJudgement['verdict'], sentence: Words): DepthJudgement => ({
    expected,
    sd,
    verdict,
    sentence,
  });
  const read = { mm: depth };
  const { lipRadius, arborRadius } = underWay.spool.deviation;
  // How deep the arbor lies is often only believed; what is wound is never deeper than that.
  const slack = UNLIKELY * Math.hypot(READING_SD[by], lipRadius, arborRadius);
  if (!Number.isFinite(depth)) return said('impossible', 'This is not a depth. Measure again from the lip.');
  if (depth > start + slack)
    return said('impossible', message('depth.too-deep', { read, start: { mm: start } }));
  if (depth < -PROUD) return said('impossible', message('depth.too-proud', { read, most: { mm: PROUD } }));
  const off = Math.abs(depth - expected) / Math.hypot(sd, READING_SD[by]);
  return off > UNLIKELY
    ? said('unlikely', message('depth.unlikely', { read, expected: { mm: expected } }))
    : said('fits', message('depth.fits', { read, expected: { mm: expected } }));
}

/** More than this above the lip line does not stand, mm. */
const PROUD = 3;

/** Depth a layer starts at, depth of its surface by the count, and how sure that is, mm. */
/** Where a surface lies by the count, and how sure that is, mm below the lip. */
export function levelAt(
  { wound, plan, spool }: RunUnderWay,
  after: string,
): { readonly start: number; readonly expected: number; readonly sd: number } {
  const top = after === AT_THE_GAP ? wound.at(-1) : wound.find(({ id }) => id === after);
  const start = spool.spool.lipRadius - (top?.innerRadius ?? spool.spool.arborRadius);
  // Wound to the count, a level is as unsure as the room its line takes.
  const planned = plan?.layers.find(({ id }) => id === after)?.depthAfter;
  const { sd } = (after === AT_THE_GAP ? plan?.gap : planned) ?? { sd: spool.deviation.lipRadius };
  return { start, expected: top?.depthAfter ?? start, sd };
}
