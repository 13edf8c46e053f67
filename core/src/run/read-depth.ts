import { DEPTH_RANGE } from '../quantities/reel-ranges';
import { isWithin } from '../numeric/bounded';
import { snapshot } from '../plan/segments';
import type { MutableState } from './mutable-state';
import type { DepthReading } from './run-state';

/** Takes a depth down, with what was wound by then; one that cannot be is passed over. */
export function readDepth(state: MutableState, read: Omit<DepthReading, 'wound' | 'byEye'>): void {
  if (isWithin(read.depth, ...DEPTH_RANGE))
    state.depths.push({ ...read, wound: snapshot(state.wound), byEye: state.byEye });
}
