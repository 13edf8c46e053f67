import { snapshot } from '../plan/segments';
import type { MutableState } from './mutable-state';
import type { PieceChanged } from './run-event';
import type { PieceTaken } from './run-state';

/**
 * Another piece for a layer: from here on, or as the one that was mounted all along. Then it stands in the place of the one
 * that was thought to be mounted last, and takes whatever was said to have come off that.
 */
export function takePiece(state: MutableState, payload: PieceChanged): void {
  const { layer, line } = payload;
  const own = state.pieces.filter((one) => one.layer === layer);
  const others = state.pieces.filter((one) => one.layer !== layer);
  const from = (wound: PieceTaken['wound']): PieceTaken => ({ ...payload, wound, byEye: state.byEye });
  if (!payload.allAlong) {
    state.pieces.push(from(snapshot(state.wound)));
    return;
  }
  const last = own.at(-1);
  const began = last ?? from({ ...snapshot(state.wound), [layer]: [] });
  const { pieceId, code } = payload;
  state.pieces = [...others, ...own.slice(0, -1), { ...began, pieceId, code, usedUp: last?.usedUp ?? false }];
  if (line) state.lines[layer] = line;
  else if (own.length <= 1) Reflect.deleteProperty(state.lines, layer);
}
