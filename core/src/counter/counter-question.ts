import { woundArea } from '../lines/line';
import { succeed, type Result } from '../issue';
import type { Ranged } from '../numeric/ranged';
import { UNKNOWN_SPOOL } from './counter-beliefs';
import { counterMatch } from './counter-match';
import { metresPer, type CounterUnit } from './counter-unit';
import type { CounterSpool } from './paid-out';

/** A reel filled elsewhere, whose counter does not agree: what it reads, and whatever else is known of it. */
export interface CounterQuestion {
  readonly unit: CounterUnit;
  /** What the counter showed at the mark, in its unit, and where the mark is, m. */
  readonly reading: number;
  readonly mark: number;
  /** Diameter of the line on top, of the spool as it is filled now, and its width, mm; null where nobody measured it. */
  readonly line: number | null;
  readonly full: number | null;
  readonly width: number | null;
}

/** What to do about it. */
export interface CounterAnswer {
  /** Metres to wind on, below zero to take off; 0 where it agrees within a hundredth of the mark. */
  readonly move: Ranged;
  readonly how: 'add' | 'take-off' | 'agrees';
  /** Metres of line one unit of the counter is worth there. */
  readonly slope: number;
  /** Whether the spool was measured: its size, and the line on it. */
  readonly measured: boolean;
}

/** Share of a spool's room that line takes up, and an arbor as a share of the full radius. From memory. */
const USUAL = { packing: 0.7, arbor: 0.45, widthOverFull: 0.55 } as const;
/** How unsure wound area to width is where the line and the spool were measured, and where the width was not. From memory. */
const SPREAD = { measured: 0.12, unmeasured: 0.25 } as const;
/** A spool is measured across its line to this, mm. */
const SURFACE = 0.3;

/**
 * How much line a counter asks for where nothing is on record of the reel: one walk, and as much of its size as somebody
 * measured. Without, it is a reel as reels of this sort usually are, and the range says how far that may be off.
 *
 * @returns issues where the reading or the mark is none
 */
export function askCounter({
  unit,
  reading,
  mark,
  line,
  full,
  width,
}: CounterQuestion): Result<CounterAnswer> {
  const measured = line !== null && full !== null;
  const spool: CounterSpool | null = measured ? measuredSpool(line, full, width) : null;
  const ratio = width === null ? SPREAD.unmeasured : SPREAD.measured;
  const match = counterMatch({
    face: { unit, step: 1 },
    match: mark,
    spool: spool ?? UNKNOWN_SPOOL.spool,
    spread: spool ? { surface: SURFACE, ratio } : UNKNOWN_SPOOL.spread,
    walks: [{ tape: mark, reading, moved: 0, over: 'field' }],
    moved: 0,
  });
  if (!match.ok) return match;
  const { move, slope, wanted } = match.value;
  const off = Math.abs(reading - wanted);
  const agrees = off * metresPer(unit) <= Math.max(metresPer('ft'), 0.01 * mark);
  const how = agrees ? 'agrees' : reading > wanted ? 'add' : 'take-off';
  return succeed({ move, how, slope, measured });
}

function measuredSpool(line: number, full: number, width: number | null): CounterSpool {
  const outer = full / 2;
  return {
    width: width ?? USUAL.widthOverFull * full,
    outer,
    lip: outer + 1.5,
    layers: [{ inner: USUAL.arbor * outer, area: woundArea(line, 1, USUAL.packing) }],
  };
}
