import type { ReelType } from '../lines/reel-type';
import { isBraid, type Line } from '../lines/line';
import type { FillRequest, LayerRequest } from '../plan/fill-request';
import type { HouseRules } from '../rules/house-rules';
import type { SupplyWayAtBench } from './run-event';

/** What a step of a run asks of the technician. */
export type StepKind =
  | 'strip'
  | 'grip'
  | 'mount'
  | 'tie-on'
  | 'prepare-supply'
  | 'wind'
  | 'depth'
  | 'join'
  | 'splice'
  | 'swap'
  | 'gap'
  | 'clip'
  | 'cover'
  | 'memory'
  | 'drag-reading'
  | 'brake'
  | 'thumb'
  | 'counter'
  | 'leader'
  | 'guides'
  | 'drag'
  | 'tag';

/** One step of a run. */
export interface RunStep {
  readonly id: string;
  readonly kind: StepKind;
  /** The layer a winding step, a join or a depth belongs to. */
  readonly layer?: string;
  /** May be left out where it does not apply. */
  readonly optional?: boolean;
}

/** What the steps of a run are made from. */
export interface RunFacts {
  readonly request: FillRequest;
  readonly type: ReelType;
  readonly rules: HouseRules;
  /** Main wound first, backing on top, then all of it over to the other spool. */
  readonly mainFirst: boolean;
  /** Whether a leader or bumper was asked for. */
  readonly leader: boolean;
}

type LineLayer = Extract<LayerRequest, { kind: 'line' }>;

const lineLayers = ({ layers }: FillRequest): LineLayer[] =>
  layers.filter((layer): layer is LineLayer => layer.kind === 'line');

/**
 * The fill as it is wound. Main first turns the layers round: the main on the arbor, the backing on top to the gap; the
 * same lengths lie the other way round once all of it was wound over.
 */
export function windingRequest({ request, mainFirst }: Pick<RunFacts, 'request' | 'mainFirst'>): FillRequest {
  const lines = lineLayers(request);
  if (!mainFirst || lines.length !== 2) return request;
  return {
    ...request,
    layers: [...request.layers.filter(({ kind }) => kind !== 'line'), ...[...lines].reverse()],
  };
}

/** Whether the layers of a run are wound main first and swapped over. */
export const isSwap = ({ request, mainFirst }: Pick<RunFacts, 'request' | 'mainFirst'>): boolean =>
  mainFirst && lineLayers(request).length === 2;

/**
 * The steps of a fill in the trade's order, made from reel type, lines, build, where the line comes from and the rules
 * it is filled under.
 *
 * @param ways how the supply of each layer stands, as far as it was said
 */
export function runSteps(facts: RunFacts, ways: Readonly<Record<string, SupplyWayAtBench>> = {}): RunStep[] {
  const request = windingRequest(facts);
  const { type } = facts;
  const lines = lineLayers(request);
  const [first] = lines;
  const kept = request.layers.some(({ kind }) => kind === 'retained');
  const grip = !kept && first !== undefined && isBraid(first.line.material);
  return [
    { ...step('strip'), ...(kept ? {} : { optional: true }) },
    ...(grip ? [step('grip')] : []),
    step('mount'),
    step('tie-on'),
    ...lines.flatMap((layer, i) => layerSteps(facts, lines, i, ways[layer.id])),
    ...(isSwap(facts) ? [step('swap')] : []),
    step('gap'),
    step('clip'),
    ...(type === 'spincast' ? [step('cover')] : []),
    ...finish(facts, lines.at(-1)?.line),
    step('drag'),
    step('tag'),
  ];
}

/** Ways that need the line made ready before it is wound. */
const MADE_READY: ReadonlySet<SupplyWayAtBench> = new Set(['drag-reel', 'walked-out', 'reverse']);

function layerSteps(
  { type }: RunFacts,
  lines: readonly LineLayer[],
  i: number,
  way: SupplyWayAtBench | undefined,
): RunStep[] {
  const layer = lines[i];
  if (!layer) return [];
  const below = lines[i - 1];
  const hollow = [below, layer].some((one) => one?.line.material === 'hollow-braid');
  const of = (kind: StepKind): RunStep => ({ id: `${kind}-${layer.id}`, kind, layer: layer.id });
  return [
    ...(below ? [of(hollow ? 'splice' : 'join')] : []),
    ...(way !== undefined && MADE_READY.has(way) ? [of('prepare-supply')] : []),
    of('wind'),
    // The last layer's depth is the gap; a closed face is looked at under its cover.
    ...(i < lines.length - 1 && type !== 'spincast' ? [{ ...of('depth'), optional: true }] : []),
  ];
}

/** What is set and checked once the line is on, by reel and by house. */
function finish({ type, rules, leader }: RunFacts, top: Line | undefined): RunStep[] {
  const remembers = top !== undefined && !isBraid(top.material);
  const optional = (kind: StepKind): RunStep => ({ ...step(kind), optional: true });
  return [
    ...(remembers && rules.memoryRelief !== 'leave' && type !== 'big-game' ? [optional('memory')] : []),
    ...(type === 'trolling' ? [optional('counter')] : []),
    ...(type === 'baitcaster' ? [optional('brake'), optional('thumb')] : []),
    optional('drag-reading'),
    ...(leader ? [step('leader')] : []),
    ...(rules.guides === 'all' ? [step('guides')] : []),
  ];
}

const step = (kind: StepKind): RunStep => ({ id: kind, kind });
