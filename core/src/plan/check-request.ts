import type { PlanIssue } from './fill-plan';
import type { FillRequest, LayerRequest } from './fill-request';
import { isUnknown } from './stack';

/** Least and most a request may ask for. Diameters and gap in mm, lengths in m. */
export const REQUEST_RANGE = {
  diameter: [0.04, 3],
  length: [0, 5000],
  gap: [-5, 60],
  gear: [0.5, 12],
  thickness: [0.05, 3],
  wraps: [0, 200],
} as const;

const wrong = (code: PlanIssue['code'], sentence: string, at?: string): PlanIssue => ({
  code,
  severity: 'error',
  sentence,
  ...(at === undefined ? {} : { at }),
});

/** What makes a request impossible to plan at all. */
export function checkRequest(request: FillRequest): PlanIssue[] {
  const unknowns = request.layers.filter(isUnknown).length;
  const issues = request.layers.flatMap(checkLayer);
  if (unknowns > 1)
    issues.push(wrong('two-unknowns', 'Only one layer can be "as much as fits". Give the others a length.'));
  if (unknowns === 1 && request.gap === undefined) {
    issues.push(wrong('no-unknown', 'Say at which gap to stop, or give every layer a length.', 'gap'));
  }
  check(issues, request.gap ?? 0, 'gap', 'gap', 'mm');
  check(issues, request.gear, 'gear', 'gear', 'to one');
  return issues;
}

function checkLayer(layer: LayerRequest): PlanIssue[] {
  const issues: PlanIssue[] = [];
  if (layer.kind === 'line' || layer.kind === 'retained')
    check(issues, layer.line.diameter, 'diameter', layer.id, 'mm');
  if (layer.kind === 'line' && layer.length !== 'fits') check(issues, layer.length, 'length', layer.id, 'm');
  if (layer.kind === 'tape') {
    check(issues, layer.thickness, 'thickness', layer.id, 'mm');
    if (layer.wraps !== 'fits') check(issues, layer.wraps, 'wraps', layer.id, 'wraps');
  }
  return issues;
}

function check(
  issues: PlanIssue[],
  value: number,
  field: keyof typeof REQUEST_RANGE,
  at: string,
  unit: string,
): void {
  const [min, max] = REQUEST_RANGE[field];
  if (value >= min && value <= max) return;
  issues.push(
    wrong('layer-out-of-range', `The ${field} must be from ${String(min)} to ${String(max)} ${unit}.`, at),
  );
}
