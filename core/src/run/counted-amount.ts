import type { FillRequest } from '../plan/fill-request';
import type { RunHappening } from './run-event';
import type { RunState } from './run-state';
import { segmentsOf } from '../plan/segments';
import { gearAt } from './winder';

/** So much line of a layer, in what is counted there. */
export interface CountedAmount {
  readonly unit: 'handle-turns' | 'winder-turns' | 'metres';
  readonly amount: number;
  /** Spool turns to one counted turn; 1 for metres. */
  readonly per: number;
}

/** A stretch of a layer told in what counted the layer last: a meter's metres, a winder's turns, or the handle's. */
export function amountOf(
  request: FillRequest,
  { wound, supplies }: Pick<RunState, 'wound' | 'supplies'>,
  layer: string,
  { length, spoolTurns }: { readonly length: number; readonly spoolTurns: number },
): CountedAmount {
  const last = segmentsOf(wound, layer).at(-1);
  if (last && 'metres' in last) return { unit: 'metres', amount: length, per: 1 };
  const per = gearAt(request, supplies, layer);
  const unit = supplies[layer]?.way === 'winder' ? 'winder-turns' : 'handle-turns';
  return { unit, amount: spoolTurns / per, per };
}

/** The event that takes an amount off a layer again, or winds it on where it is negative. */
export const takenOff = (layer: string, { unit, amount, per }: CountedAmount): RunHappening =>
  unit === 'metres'
    ? { kind: 'metres', payload: { layer, metres: -amount } }
    : { kind: 'turns', payload: { layer, turns: -amount, per } };
