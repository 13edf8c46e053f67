import { isBraid } from '../lines/line';
import type { FillRequest, LayerRequest } from '../plan/fill-request';

/** What a step of a run asks of the technician. */
export type StepKind =
  'strip' | 'grip' | 'mount' | 'tie-on' | 'wind' | 'join' | 'gap' | 'clip' | 'drag' | 'tag';

/** One step of a run. */
export interface RunStep {
  readonly id: string;
  readonly kind: StepKind;
  /** The layer a winding step, or a join, belongs to. */
  readonly layer?: string;
}

/** The steps of a fill in the trade's order, made from its layers. */
export function runSteps({ layers }: FillRequest): RunStep[] {
  const lines = layers.filter(
    (layer): layer is Extract<LayerRequest, { kind: 'line' }> => layer.kind === 'line',
  );
  const grip = layers[0]?.kind !== 'retained' && lines[0] !== undefined && isBraid(lines[0].line.material);
  return [
    ...steps('strip', ...(grip ? (['grip'] as const) : []), 'mount', 'tie-on'),
    ...lines.flatMap((layer, i): RunStep[] => [
      ...(i > 0 ? [{ id: `join-${layer.id}`, kind: 'join' as const, layer: layer.id }] : []),
      { id: `wind-${layer.id}`, kind: 'wind', layer: layer.id },
    ]),
    ...steps('gap', 'clip', 'drag', 'tag'),
  ];
}

const steps = (...kinds: StepKind[]): RunStep[] => kinds.map((kind) => ({ id: kind, kind }));
