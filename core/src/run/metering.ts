import { STANDS, turnsOn } from './metered';
import type { RunHappening } from './run-event';
import type { RunState } from './run-state';

/** A stretch is at least so long, m, and at least so many counts. */
const LEAST = { metres: 5, counts: 8 } as const;

/** A line meter as it stood at a count of its bench's turn counter. */
export interface MeterStands {
  readonly meter: string;
  /** m */
  readonly metres: number;
}

/** Whether turns go on and the meter does not: line runs beside it, or nothing is in it. */
export function meterStands({
  mark,
  stretches,
  wound,
}: Pick<RunState, 'mark' | 'stretches' | 'wound'>): boolean {
  if (!mark || mark.stood) return mark !== null;
  const since = turnsOn(wound, mark.layer) - mark.spoolTurns;
  const last = stretches.findLast(({ layer }) => layer === mark.layer);
  const usual = last ? 3 * last.spoolTurns : STANDS / 2;
  return since > usual;
}

/**
 * The mark to write down where a layer is wound past both a turn counter and a line meter: the first one at once, then one
 * for every few metres.
 *
 * @param state as it stood before what was just credited
 * @param credited the turns just credited from the counter
 * @param step spool turns that one count of it makes
 */
export function markDue(
  state: Pick<RunState, 'current' | 'mark' | 'wound' | 'held'>,
  credited: RunHappening | null,
  { meter, metres }: MeterStands,
  step: number,
): RunHappening | null {
  if (credited?.kind !== 'turns' || !isWinding(state, credited.payload.layer)) return null;
  const { layer, turns, per = 1, from } = credited.payload;
  const last = from === undefined ? null : state.mark;
  const went = turnsOn(state.wound, layer) + turns * per - (last?.spoolTurns ?? 0);
  const goesOn = last?.layer === layer && last.meter === meter;
  if (goesOn && !farEnough(metres - last.metres, went, step)) return null;
  return { kind: 'metered', payload: { layer, meter, metres, step } };
}

const isWinding = ({ current, held }: Pick<RunState, 'current' | 'held'>, layer: string): boolean =>
  current?.kind === 'wind' && current.layer === layer && !held;

/** Whether metres and turns since the last mark are enough for a stretch, or it has to be begun again. */
const farEnough = (metres: number, turns: number, step: number): boolean =>
  metres < 0 || turns > STANDS || (metres >= LEAST.metres && turns >= LEAST.counts * step);
