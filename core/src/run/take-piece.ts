import { snapshot } from '../plan/segments';
import type { Draft } from './draft';
import type { PieceChanged } from './run-event';
import type { PieceTaken } from './run-state';

/**
 * Another piece for a layer: from here on, or as the one that was mounted all along. Then it stands in the place of the one
 * that was thought to be mounted last, and takes whatever was said to have come off that.
 */
export function takePiece(draft: Draft, payload: PieceChanged): void {
  const { layer, line } = payload;
  const own = draft.pieces.filter((one) => one.layer === layer);
  const others = draft.pieces.filter((one) => one.layer !== layer);
  const from = (wound: PieceTaken['wound']): PieceTaken => ({ ...payload, wound, byEye: draft.byEye });
  if (!payload.allAlong) {
    draft.pieces.push(from(snapshot(draft.wound)));
    return;
  }
  const last = own.at(-1);
  const began = last ?? from({ ...snapshot(draft.wound), [layer]: [] });
  const { pieceId, code } = payload;
  draft.pieces = [...others, ...own.slice(0, -1), { ...began, pieceId, code, usedUp: last?.usedUp ?? false }];
  if (line) draft.lines[layer] = line;
  else if (own.length <= 1) Reflect.deleteProperty(draft.lines, layer);
}
