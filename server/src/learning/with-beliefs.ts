import type { Learning } from '@yard-spool/contract';
import { beliefsFor, kindKey, type PlanInput, type ReelType } from '@yard-spool/core';

/** A plan's input with what is believed of such a reel and its lines by now, whatever it came with. */
export function withBeliefs(
  planInput: PlanInput,
  { type, label, tag }: { readonly type: ReelType; readonly label: string; readonly tag?: string },
  learning: Learning,
): PlanInput {
  const lines = planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer.line.key] : []));
  // What was walked on this very reel goes before what its kind shows.
  const about = { type, kind: kindKey({ type, label }), lines, ...(tag === undefined ? {} : { tag }) };
  return { ...planInput, beliefs: beliefsFor(learning, about) };
}
