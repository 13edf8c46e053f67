import type { StepAt, When } from '../steps/bench-step';
import { STEPS } from '../steps/catalogue';
import { stepId, type RunFacts, type RunStep, type StepKind } from '../steps/run-facts';
import { stepAt } from '../steps/step-at';
import type { SupplyWayAtBench } from '../steps/supply-way';
import { isSwap, lineLayers, windingRequest } from '../steps/winding-order';

/** The trade's order: before any line goes on, for each layer, and once all of it is on. */
const BEFORE: readonly StepKind[] = ['strip', 'reducer', 'grip', 'mount', 'tie-on'];
const LAYER: readonly StepKind[] = ['splice', 'join', 'prepare-supply', 'wind', 'depth'];
const AFTER: readonly StepKind[] = [
  ...(['swap', 'gap', 'counter', 'clip', 'memory', 'cover', 'brake', 'thumb'] as const),
  ...(['leader', 'drag-reading', 'guides', 'drag', 'tag'] as const),
];

/** All there is to do where its line stays on and only its counter is matched; what is skipped there can be. */
const COUNTER_ONLY: Readonly<Partial<Record<StepKind, When>>> = {
  gap: 'optional',
  counter: 'always',
  clip: 'optional',
  'drag-reading': 'optional',
  drag: 'always',
  tag: 'always',
};
const whenOf = (kind: StepKind, at: StepAt, { counterOnly }: RunFacts): When => {
  if (!counterOnly || kind === 'leader') return STEPS[kind].when(at);
  return COUNTER_ONLY[kind] ?? 'never';
};

/** The layer whose count a step may move; matching the counter moves the line on top, where that was wound last. */
const layerOf = (kind: StepKind, layer: string | undefined, facts: RunFacts): { readonly layer?: string } => {
  const top = kind === 'counter' && !isSwap(facts) ? lineLayers(facts.request).at(-1)?.id : layer;
  return top === undefined ? {} : { layer: top };
};

/**
 * The steps of a fill in the trade's order. Each step says itself whether it applies, by reel type, lines, build, where the
 * line comes from and the rules it is filled under.
 *
 * @param ways how the supply of each layer stands, as far as it was said
 */
export function runSteps(facts: RunFacts, ways: Readonly<Record<string, SupplyWayAtBench>> = {}): RunStep[] {
  const of = (kinds: readonly StepKind[], layer?: string): RunStep[] => {
    const at = stepAt(facts, layer, (layer === undefined ? undefined : ways[layer]) ?? null);
    return kinds.flatMap((kind): RunStep[] => {
      const when = whenOf(kind, at, facts);
      if (when === 'never') return [];
      return [
        {
          id: stepId(kind, layer),
          kind,
          ...layerOf(kind, layer, facts),
          ...(when === 'optional' ? { optional: true } : {}),
        },
      ];
    });
  };
  return [
    ...of(BEFORE),
    ...lineLayers(windingRequest(facts)).flatMap(({ id }) => of(LAYER, id)),
    ...of(AFTER),
  ];
}
