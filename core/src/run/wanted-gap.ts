import { gapAdvice } from '../advice/gap-advice';
import type { FillRequest } from '../plan/fill-request';
import type { RunFacts } from '../steps/run-facts';
import { lineLayers } from '../steps/winding-order';

/** A level a fill is judged by, mm below the lip, and whose it is. */
export interface WantedGap {
  readonly gap: number;
  readonly by: 'asked' | 'house';
}

/** The gap a fill is to end at: the one that was asked for, else the house's own for such a reel and its line on top. */
export function wantedGap(
  { type, rules, rim = { kind: 'plain' } }: Pick<RunFacts, 'type' | 'rules' | 'rim'>,
  request: FillRequest,
  room: number | null = null,
): WantedGap | null {
  if (request.gap !== undefined) return { gap: request.gap, by: 'asked' };
  const top = lineLayers(request).at(-1);
  return top ? { gap: gapAdvice(top.line.diameter, type, rim, rules, room).gap, by: 'house' } : null;
}
