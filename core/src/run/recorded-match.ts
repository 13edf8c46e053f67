import type { KnownCounter } from '../counter/counter-beliefs';
import type { CounterMatch } from '../counter/counter-match';
import { metresPer, type CounterUnit } from '../counter/counter-unit';
import type { CounterFit } from '../counter/counter-fit';
import { readingAt, spoolOf } from '../counter/counter-model';
import { counterTable, runsAhead, type TableRow } from '../counter/counter-table';
import { withMoved, type CounterSpool } from '../counter/paid-out';
import type { RunFacts } from '../steps/run-facts';
import { counterNow, counterSpoolNow, RATIO_SD, setupOf, walksOf } from './counter-now';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** A walk as the record keeps it. */
export interface RecordedWalk {
  readonly tape: number;
  readonly reading: number;
  /** As the counter showed it, where that was taken for another reading, or did not begin at zero; and what it began at. */
  readonly typed?: number;
  readonly began?: number;
  readonly expected: number | null;
  /** Metres wound on since the first walk. */
  readonly moved: number;
  readonly over: 'field' | 'meter';
  readonly by: string;
  readonly at: string;
}

/** How a counter was set up, as it is kept with its fill. */
export interface RecordedMatch {
  readonly unit: CounterUnit;
  readonly step: number;
  /** m */
  readonly match: number;
  readonly walks: readonly RecordedWalk[];
  /** What it reads at the match as it was left, in its unit. */
  readonly reads: number;
  /** Whether it agrees, or was left as it is. */
  readonly agrees: boolean;
  readonly perTurn: number;
  /** As a share. */
  readonly sd: number;
  /** How sure the reading at the match is, as a share: what the whole table is as sure as. */
  readonly readsSd: number;
  /** The spool as it was left. */
  readonly spool: CounterSpool;
  /** Depth of its surface below the lip, mm. */
  readonly depth: number;
  /** How the line lay when it was last pulled without tension; null where nobody looked. */
  readonly tight: boolean | null;
}

/** What a run leaves behind of its counter; null where it was never walked. */
export function recordedMatch(
  facts: RunFacts,
  under: RunUnderWay,
  state: Pick<RunState, 'walks' | 'wound' | 'tensions' | 'byEye' | 'depths'>,
  known?: KnownCounter,
): RecordedMatch | null {
  const setup = setupOf(state);
  const standing = state.walks.filter(({ left }) => !left);
  const spool = counterSpoolNow(facts, under);
  const match = setup && standing.length > 0 ? counterNow(facts, under, state, setup, known) : null;
  if (!setup || !match || !spool) return null;
  const moved = walksOf(facts, under, state, setup.unit);
  return {
    ...setup,
    walks: standing.map(({ tape, expected, over, by, at, reading, typed, began }, i) => ({
      tape,
      over,
      by,
      at,
      reading: moved[i]?.reading ?? 0,
      expected: expected ?? null,
      ...(typed === undefined && began === undefined ? {} : { typed: typed ?? reading }),
      ...(began === undefined ? {} : { began }),
      moved: moved[i]?.moved ?? 0,
    })),
    ...leftAt(match),
    depth: spool.lip - spool.outer,
    tight: state.tensions.at(-1)?.holds ?? null,
  };
}

/** What is learned of a counter on a spool whose size was assumed is next to nothing, as a share. From memory. */
const ASSUMED_SD = 0.4;

const leftAt = ({ expected, verdict, perTurn, spool, assumed }: CounterMatch) => ({
  reads: expected.value,
  agrees: verdict === 'agrees',
  perTurn: perTurn.value,
  sd: Math.max(perTurn.sd / perTurn.value, assumed ? ASSUMED_SD : 0),
  readsSd: expected.sd / expected.value,
  spool,
});

/** What has happened to a matched reel since: metres broken off, and other line filled to the same level. */
interface Since {
  readonly broken?: number;
  /** Diameter of the line on top, as a share of the one it was matched with. */
  readonly thickness?: number;
}

/** The spool of a kept match as it is after that. */
function spoolSince(
  { spool }: Pick<RecordedMatch, 'spool'>,
  { broken = 0, thickness = 1 }: Since,
): CounterSpool {
  const [top, ...below] = spool.layers;
  if (!top) return spool;
  const other = { ...spool, layers: [{ ...top, area: top.area * thickness ** 2 }, ...below] };
  // What broke off leaves the spool smaller by it.
  return withMoved(other, -broken);
}

/** A kept match's table, as it was left or as it is since. */
export function recordedTable(
  kept: Pick<RecordedMatch, 'spool' | 'perTurn' | 'readsSd' | 'match' | 'unit'>,
  since: Since = {},
): TableRow[] {
  const spool = spoolSince(kept, since);
  return counterTable({ fit: asFit(kept), spool }, kept.match, kept.unit);
}

/** How far a kept counter runs ahead at twice its match; null where the line ends before. */
export function runsAheadOf(
  kept: Pick<RecordedMatch, 'spool' | 'perTurn' | 'readsSd' | 'match' | 'unit'>,
): number | null {
  const rows = recordedTable(kept);
  return rows.some(({ length }) => length * metresPer(kept.unit) >= 2 * kept.match - 1e-6)
    ? runsAhead({ fit: asFit(kept), spool: kept.spool }, kept.match, kept.unit)
    : null;
}

/**
 * The fit a kept match stands for. At its mark it is as sure as it was read there; elsewhere the line’s own thickness on the
 * spool adds to that, which the walks left open: what a turn is worth goes with it, so that the mark stays as it was read.
 */
function asFit({
  perTurn,
  readsSd,
  spool,
  match,
}: Pick<RecordedMatch, 'spool' | 'perTurn' | 'readsSd' | 'match'>): CounterFit {
  const vector = [Math.log(perTurn), spool.outer, 0] as const;
  const reading = (ratio: number): number =>
    readingAt(spoolOf(spool, [vector[0], vector[1], ratio]), perTurn, match);
  const slope = (Math.log(reading(RATIO_SD)) - Math.log(reading(-RATIO_SD))) / (2 * RATIO_SD);
  const together = -slope * RATIO_SD ** 2;
  return {
    vector,
    covariance: [
      [readsSd ** 2 + (slope * RATIO_SD) ** 2, 0, together],
      [0, 0, 0],
      [together, 0, RATIO_SD ** 2],
    ],
    off: [],
  };
}
