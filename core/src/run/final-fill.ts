import type { LayerRequest } from '../plan/fill-request';
import { planFill } from '../plan/plan-fill';
import type { Estimate } from '../spool/estimate';
import { isSwap } from '../steps/winding-order';
import type { RunFacts } from '../steps/run-facts';
import type { WoundLayer } from '../plan/wound';

/**
 * What lies on the reel at the end, arbor first. Wound straight on, that is what was wound. Main first, the same metres
 * lie the other way round after the swap: metres are kept, turns and radii are what they come to there.
 */
export function finalFill(facts: RunFacts, spool: Estimate, wound: readonly WoundLayer[]): WoundLayer[] {
  if (!isSwap(facts)) return [...wound];
  const layers = facts.request.layers.map((layer): LayerRequest =>
    layer.kind === 'line'
      ? { ...layer, length: wound.find(({ id }) => id === layer.id)?.length ?? 0 }
      : layer,
  );
  const { gear } = facts.request;
  const plan = planFill(spool, { layers, gear });
  if (!plan.ok) return [...wound];
  return plan.value.layers.map(({ id, length, handleTurns, innerRadius, outerRadius, depthAfter }) => ({
    id,
    length: length.value,
    handleTurns: handleTurns.value,
    innerRadius,
    outerRadius,
    depthAfter: depthAfter.value,
  }));
}
