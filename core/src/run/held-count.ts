import type { MutableState } from './mutable-state';

/**
 * A count that is held is held from where somebody says that its device stands: what came before is settled, whatever was
 * to be credited up to there.
 */
export function heldFrom(state: MutableState, device: string, count: number): void {
  if (Object.hasOwn(state.heldAt, device)) state.heldAt = { ...state.heldAt, [device]: count };
}
