import type { Learning, ReelType } from '@yard-spool/contract';
import { beliefsFor, kindKey, type PlanInput } from '@yard-spool/core';

/** A plan's input with what is believed of such a reel and its lines by now, whatever it came with. */
export function withBeliefs(
  planInput: PlanInput,
  { type, label }: { readonly type: ReelType; readonly label: string },
  learning: Learning,
): PlanInput {
  const lines = planInput.request.layers.flatMap((layer) => (layer.kind === 'line' ? [layer.line.key] : []));
  return { ...planInput, beliefs: beliefsFor(learning, { type, kind: kindKey({ type, label }), lines }) };
}
