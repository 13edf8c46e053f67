import type { FillRequest } from '../plan/fill-request';
import type { Ranged } from '../numeric/ranged';
import type { RunState } from './run-state';
import type { WindingNow } from './turns-to-go';

/** Spool turns to one counted turn of a layer: the reel's gear, or 1 on a bench winder that turns the spool itself. */
export const gearAt = (request: FillRequest, supplies: RunState['supplies'], layer: string): number =>
  supplies[layer]?.way === 'winder' ? 1 : request.gear;

/** A winding told in the turns that are counted: `factor` of them to a turn of the reel's handle. */
export function inCounts(winding: WindingNow, factor: number): WindingNow {
  if (factor === 1) return winding;
  const scaled = ({ value, sd, low, high }: Ranged): Ranged => ({
    value: value * factor,
    sd: sd * factor,
    low: low * factor,
    high: high * factor,
  });
  const toGo = (total: number): number => Math.max(0, Math.round(total - winding.turns * factor));
  const handleTurns = scaled(winding.planned.handleTurns);
  return {
    ...winding,
    planned: {
      ...winding.planned,
      handleTurns,
      perTurnStart: winding.planned.perTurnStart / factor,
      perTurnEnd: winding.planned.perTurnEnd / factor,
    },
    turns: winding.turns * factor,
    turnsToGo: toGo(handleTurns.value),
    turnsOver: Math.max(0, Math.round(winding.turns * factor - handleTurns.value)),
    likely: { low: toGo(handleTurns.low), high: toGo(handleTurns.high) },
    perTurn: winding.perTurn / factor,
  };
}
