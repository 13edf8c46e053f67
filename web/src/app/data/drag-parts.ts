import type { Run } from '@yard-spool/contract';
import type { DragPart, RunFacts, RunState } from '@yard-spool/core';

/** Everything a drag pulls on: each layer of line, and the leader or bumper as it was written down. */
export function dragParts(
  { supplies, job }: Pick<Run, 'supplies' | 'job'>,
  { request }: Pick<RunFacts, 'request'>,
  { notes, lines }: Pick<RunState, 'notes' | 'lines'>,
): DragPart[] {
  const layers = request.layers.flatMap((layer): DragPart[] => {
    if (layer.kind !== 'line') return [];
    const name = job.cuts.find((cut) => cut.layer === layer.id)?.productName ?? layer.role;
    // Of another line than was planned only its own label tells the strength.
    const known = lines[layer.id] ? null : supplies.find((one) => one.layer === layer.id);
    return [{ name: lines[layer.id]?.key ?? name, strength: known?.strengthKg ?? null }];
  });
  const leader = notes.leader?.strength;
  return typeof leader === 'number' ? [...layers, { name: 'the leader', strength: leader }] : layers;
}
