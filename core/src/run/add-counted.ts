import { addSegment, type Segment } from '../plan/segments';
import type { MutableState } from './mutable-state';

/** So many more turns on a layer, each worth `per` spool turns; fewer where they are negative. */
export function addTurns(state: MutableState, layer: string, turns: number, per: number): void {
  state.turns[layer] = (state.turns[layer] ?? 0) + turns;
  goOn(state, layer, { spoolTurns: turns * per });
}

/** So many more metres on a layer. */
export function addMetres(state: MutableState, layer: string, metres: number): void {
  state.metres[layer] = (state.metres[layer] ?? 0) + metres;
  goOn(state, layer, { metres });
}

function goOn(state: MutableState, layer: string, go: Segment): void {
  const goes = state.wound[layer];
  if (goes) addSegment(goes, go);
  else state.wound[layer] = [{ ...go }];
}
