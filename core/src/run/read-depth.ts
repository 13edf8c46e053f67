import { isWithin } from '../numeric/bounded';
import { snapshot } from '../plan/segments';
import type { Draft } from './draft';
import type { DepthReading } from './run-state';

/** Depths below the lip a reading can have, mm. */
const DEPTHS = [-5, 80] as const;

/** Takes a depth down, with what was wound by then; one that cannot be is passed over. */
export function readDepth(draft: Draft, read: Omit<DepthReading, 'wound' | 'byEye'>): void {
  if (isWithin(read.depth, ...DEPTHS))
    draft.depths.push({ ...read, wound: snapshot(draft.wound), byEye: draft.byEye });
}
