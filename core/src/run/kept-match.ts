import type { KnownCounter } from '../counter/counter-beliefs';
import type { CounterMatch } from '../counter/counter-match';
import type { CounterUnit } from '../counter/counter-unit';
import type { CounterSpool } from '../counter/paid-out';
import { counterNow, counterSpool, setupOf, walksOf } from './counter-now';
import type { RunState } from './run-state';
import type { RunUnderWay } from './under-way';

/** A walk as the record keeps it. */
export interface KeptWalk {
  readonly tape: number;
  readonly reading: number;
  readonly expected: number | null;
  /** Metres wound on since the first walk. */
  readonly moved: number;
  readonly over: 'field' | 'meter';
  readonly by: string;
  readonly at: string;
}

/** How a counter was set up, as it is kept with its fill. */
export interface KeptMatch {
  readonly unit: CounterUnit;
  readonly step: number;
  /** m */
  readonly match: number;
  readonly walks: readonly KeptWalk[];
  /** What it reads at the match as it was left, in its unit. */
  readonly reads: number;
  /** Whether it agrees, or was left as it is. */
  readonly agrees: boolean;
  readonly perTurn: number;
  /** As a share. */
  readonly sd: number;
  /** The spool as it was left. */
  readonly spool: CounterSpool;
  /** Depth of its surface below the lip, mm. */
  readonly depth: number;
  /** How the line lay when it was last pulled without tension; null where nobody looked. */
  readonly tight: boolean | null;
}

/** What a run leaves behind of its counter; null where it was never walked. */
export function keptMatch(
  under: RunUnderWay,
  state: Pick<RunState, 'walks' | 'wound' | 'tensions'>,
  known?: KnownCounter,
): KeptMatch | null {
  const setup = setupOf(state);
  const standing = state.walks.filter(({ left }) => !left);
  const spool = counterSpool(under, under.wound);
  const match = setup && standing.length > 0 ? counterNow(under, state, setup, known) : null;
  if (!setup || !match || !spool) return null;
  const moved = walksOf(under, state, setup.unit);
  return {
    ...setup,
    walks: standing.map(({ tape, expected, over, by, at }, i) => ({
      ...{ tape, over, by, at, reading: moved[i]?.reading ?? 0 },
      expected: expected ?? null,
      moved: moved[i]?.moved ?? 0,
    })),
    ...leftAt(match),
    depth: match.spool.lip - match.spool.outer,
    tight: state.tensions.at(-1)?.holds ?? null,
  };
}

const leftAt = ({ expected, verdict, perTurn, spool }: CounterMatch) => ({
  reads: expected.value,
  agrees: verdict === 'agrees',
  perTurn: perTurn.value,
  sd: perTurn.sd / perTurn.value,
  spool,
});
