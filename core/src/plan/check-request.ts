import { DEPTH_RANGE, GAP_RANGE } from '../quantities/reel-ranges';
import { message, type Words } from '../words/message';
import { rangeWords } from '../words/range-words';
import type { PlanIssue } from './fill-plan';
import type { Level } from '../quantities/level';
import type { FillRequest, LayerRequest } from './fill-request';
import { isLevelled, isUnknown } from './stack';

/** Least and most a request may ask for. Diameters and gap in mm, lengths in m. */
export const REQUEST_RANGE = {
  diameter: [0.04, 3],
  length: [0, 5000],
  gap: GAP_RANGE,
  gear: [0.5, 12],
  thickness: [0.05, 3],
  wraps: [0, 200],
  overlap: [0, 50],
  soaked: [0, 1],
  depth: DEPTH_RANGE,
  reducer: [4, 240],
  share: [0, 1],
} as const;

const WORDS: Readonly<Record<keyof typeof REQUEST_RANGE, string>> = {
  diameter: 'line’s diameter',
  length: 'length',
  gap: 'gap',
  gear: 'gear ratio',
  thickness: 'tape’s thickness',
  wraps: 'number of wraps',
  overlap: 'spliced overlap',
  soaked: 'share soaked',
  depth: 'depth to fill up to',
  reducer: 'reducer’s diameter',
  share: 'share of the spool',
};

const wrong = (code: PlanIssue['code'], sentence: Words, at?: string): PlanIssue => ({
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
  issues.push(...levelAboveUnknown(request.layers), ...outOfOrder(request.layers));
  check(issues, request.gap ?? 0, 'gap', 'gap', 'mm');
  check(issues, request.gear, 'gear', 'gear', 'to one');
  return issues;
}

/** A layer that is to fit has the gap to meet; a level above it would be a second end. */
function levelAboveUnknown(layers: readonly LayerRequest[]): PlanIssue[] {
  const unknown = layers.findIndex(isUnknown);
  const level = unknown < 0 ? undefined : layers.slice(unknown + 1).find(isLevelled);
  if (!level) return [];
  const sentence =
    'Only one thing can give way. With as much as fits below it, this layer takes a length, not a level.';
  return [wrong('two-unknowns', sentence, level.id)];
}

/** A reducer lies on the arbor and kept line on that; what is wound lies above both. */
function outOfOrder(layers: readonly LayerRequest[]): PlanIssue[] {
  const rank = ({ kind }: LayerRequest): number => (kind === 'reducer' ? 0 : kind === 'retained' ? 1 : 2);
  return layers.flatMap((layer, i) => {
    const below = layers[i - 1];
    if (!below || rank(layer) >= 2 || rank(layer) >= rank(below)) return [];
    const what = layer.kind === 'reducer' ? 'A reducer' : 'Old line that is kept';
    return [wrong('layer-out-of-order', `${what} lies below everything that is wound on.`, layer.id)];
  });
}

function checkLayer(layer: LayerRequest): PlanIssue[] {
  const issues: PlanIssue[] = [];
  if (layer.kind === 'line' || layer.kind === 'retained')
    check(issues, layer.line.diameter, 'diameter', layer.id, 'mm');
  switch (layer.kind) {
    case 'line':
      if (typeof layer.length === 'number') check(issues, layer.length, 'length', layer.id, 'm');
      else if (layer.length !== 'fits') checkLevel(issues, layer.length, layer.id);
      check(issues, layer.overlap ?? 0, 'overlap', layer.id, 'm');
      check(issues, layer.soaked ?? 0, 'soaked', layer.id, 'of saturation');
      break;
    case 'tape':
      check(issues, layer.thickness, 'thickness', layer.id, 'mm');
      if (layer.wraps !== 'fits') check(issues, layer.wraps, 'wraps', layer.id, 'wraps');
      break;
    case 'retained':
      if ('length' in layer.left) check(issues, layer.left.length, 'length', layer.id, 'm');
      else checkLevel(issues, layer.left, layer.id);
      break;
    case 'reducer':
      check(issues, layer.diameter, 'reducer', layer.id, 'mm');
  }
  return issues;
}

function checkLevel(issues: PlanIssue[], level: Level, at: string): void {
  if ('depth' in level) {
    check(issues, level.depth, 'depth', at, 'mm');
    return;
  }
  const [least, most] = level.share;
  check(issues, least, 'share', at, 'of the spool');
  check(issues, most, 'share', at, 'of the spool');
  if (least > most)
    issues.push(wrong('layer-out-of-range', 'A share of the spool goes from the least to the most.', at));
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
    wrong(
      'layer-out-of-range',
      message('limit.must-be', { what: WORDS[field], range: rangeWords([min, max], unit) }),
      at,
    ),
  );
}
