import { isWithin } from '../numeric/bounded';
import { snapshot } from '../plan/segments';
import type { MutableState } from './mutable-state';
import { STANDS, turnsOn } from './metered';
import { EVENT_TRAITS } from './event-traits';
import type { RunEvent } from './run-event';

/** Lengths of a stretch that can be one, m: at more the meter or the counter was away. */
const STRETCH = [3, 200] as const;

/** Whether line may have moved uncounted with an event, so that the next mark begins a stretch and ends none. */
export const breaksStretch = (event: RunEvent): boolean =>
  EVENT_TRAITS[event.kind].breaksStretch && !(event.kind === 'turns' && event.payload.from !== undefined);

/** A meter's mark: with the one before it, a stretch. */
export function foldMark(
  state: MutableState,
  payload: Extract<RunEvent, { kind: 'metered' }>['payload'],
): void {
  const { layer, meter, metres, step } = payload;
  if (!Number.isFinite(metres) || !isWithin(step, 1e-4, 20)) return;
  const before = state.mark;
  const spoolTurns = turnsOn(state.wound, layer);
  let stood = false;
  if (before?.layer === layer && before.meter === meter) {
    const length = metres - before.metres;
    const turns = spoolTurns - before.spoolTurns;
    stood = isWithin(length, 0, STRETCH[0]) && turns > STANDS / 2;
    if (isWithin(length, ...STRETCH) && turns > step)
      state.stretches.push({ layer, meter, length, spoolTurns: turns, step, before: before.wound });
  }
  state.mark = { layer, meter, metres, spoolTurns, wound: snapshot(state.wound), stood };
}
