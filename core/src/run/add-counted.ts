import { addSegment, type Segment } from '../plan/segments';
import type { Draft } from './draft';

/** So many more turns on a layer, each worth `per` spool turns; fewer where they are negative. */
export function addTurns(draft: Draft, layer: string, turns: number, per: number): void {
  draft.turns[layer] = (draft.turns[layer] ?? 0) + turns;
  goOn(draft, layer, { spoolTurns: turns * per });
}

/** So many more metres on a layer. */
export function addMetres(draft: Draft, layer: string, metres: number): void {
  draft.metres[layer] = (draft.metres[layer] ?? 0) + metres;
  goOn(draft, layer, { metres });
}

function goOn(draft: Draft, layer: string, go: Segment): void {
  const goes = draft.wound[layer];
  if (goes) addSegment(goes, go);
  else draft.wound[layer] = [{ ...go }];
}
