import type { PlanInput } from '../plan/make-plan';
import type { RunFacts } from '../steps/run-facts';
import { requestWound } from './under-way';
import type { RunState } from './run-state';

/** What lies under a fill's line, and the washers under its spool: what the next person has to know of it. */
export interface LaidBelow {
  /** Wraps of tape and mm to a wrap; null where none was wound. */
  readonly tape: { readonly wraps: number; readonly thickness: number } | null;
  /** Diameter over a reducer, mm; null where there is none. */
  readonly reducer: number | null;
  /** Washers more than it came with, fewer where negative; null where nobody looked at the lay. */
  readonly washers: number | null;
}

const WASHERS = { leave: 0, 'add-washer': 1, 'take-washer-out': -1 } as const;

/** What a run laid below its line, as it was written down, else as it was planned. */
export function laidBelow(
  input: Pick<PlanInput, 'observations' | 'beliefs'>,
  facts: RunFacts,
  state: Pick<RunState, 'chosen' | 'notes' | 'lays'>,
): LaidBelow {
  const { layers } = requestWound(input, facts, state);
  const tape = layers.find((layer) => layer.kind === 'tape');
  const reducer = layers.find((layer) => layer.kind === 'reducer');
  const wraps = tape && typeof tape.wraps === 'number' ? tape.wraps : 0;
  return {
    tape: tape && wraps > 0 ? { wraps, thickness: tape.thickness } : null,
    reducer: reducer?.diameter ?? null,
    washers: state.lays.length > 0 ? state.lays.reduce((sum, { did }) => sum + WASHERS[did], 0) : null,
  };
}
