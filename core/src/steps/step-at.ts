import type { Line } from '../lines/line';
import type { StepAt, StepWords } from './bench-step';
import { STEPS } from './catalogue';
import type { RunFacts, RunStep } from './run-facts';
import type { NoteValue, StepField } from './step-field';
import type { SupplyWayAtBench } from './supply-way';
import { isSwap, lineLayers, windingRequest } from './winding-order';

/** Where in a fill a step of this layer stands; of the whole fill where no layer is named. */
export function stepAt(
  facts: RunFacts,
  layer: string | undefined,
  way: SupplyWayAtBench | null = null,
): StepAt {
  const { type, rules, leader } = facts;
  const request = windingRequest(facts);
  const lines = lineLayers(request);
  const at = lines.findIndex(({ id }) => id === layer);
  const kept = request.layers.findLast((layer) => layer.kind === 'retained')?.line ?? null;
  const role = lines[at]?.role.replace('-', ' ') ?? 'line';
  return {
    type,
    rules,
    leader,
    way,
    line: (lines[at] ?? lines.at(-1))?.line ?? null,
    below: belowOf(lines, at, kept),
    first: lines[0]?.line ?? null,
    role: role.charAt(0).toUpperCase() + role.slice(1),
    last: at === lines.length - 1,
    kept,
    reducer: request.layers.some(({ kind }) => kind === 'reducer'),
    tape: request.layers.some(({ kind }) => kind === 'tape'),
    turned: facts.turned ?? false,
    swap: isSwap(facts),
  };
}

/** The line under a layer. The first one is joined to what stays on; on a bare arbor it is tied. */
const belowOf = (lines: ReturnType<typeof lineLayers>, at: number, kept: Line | null): Line | null =>
  at === 0 ? kept : (lines[at - 1]?.line ?? null);

/** The words of a step of one reel, under the rules it is filled by. */
export const stepWords = (
  { kind, layer }: RunStep,
  facts: RunFacts,
  way: SupplyWayAtBench | null = null,
): StepWords => STEPS[kind].words(stepAt(facts, layer, way));

/** What may be written down at a step; nothing at most of them. */
export const stepFields = ({ kind }: RunStep): readonly StepField[] => STEPS[kind].fields ?? [];

/** What is still to be written down before a step is done; empty where nothing is. */
export const stillMissing = ({ kind }: RunStep, values: Readonly<Record<string, NoteValue>>): string =>
  STEPS[kind].missing?.(values) ?? '';
