import type { KnownCounter } from '../counter/counter-beliefs';
import { levelFor } from '../counter/counter-model';
import { metresPer } from '../counter/counter-unit';
import { USUAL_LIMITS } from '../counter/out-of-reach';
import type { CounterSpool } from '../counter/paid-out';
import { woundArea } from '../lines/line';
import { bulkIn, type Estimate } from '../spool/estimate';
import type { FillPlan } from './fill-plan';

/** A plan's spool as its counter would meet it. */
function plannedSpool(estimate: Estimate, { layers }: FillPlan): CounterSpool | null {
  const { lipRadius, width, packing } = estimate.spool;
  let inner = estimate.spool.arborRadius;
  const down: { inner: number; area: number }[] = [];
  for (const { request, depthAfter } of layers) {
    const outer = lipRadius - depthAfter.value;
    if (request.kind === 'line' && outer > inner)
      down.unshift({
        inner,
        area: woundArea(request.line.diameter, bulkIn(estimate, request.line), packing),
      });
    inner = outer;
  }
  return down.length > 0 ? { width, lip: lipRadius, outer: inner, layers: down } : null;
}

/**
 * The gap to fill to so that a counter somebody has matched before agrees at the first walk.
 *
 * @returns mm below the lip; null where no level that a filled spool is left at makes it agree
 */
export function counterAim(estimate: Estimate, plan: FillPlan, known: KnownCounter): number | null {
  const spool = plannedSpool(estimate, plan);
  if (!spool) return null;
  const target = { length: known.match, reading: known.match / metresPer(known.unit) };
  const level = levelFor(spool, known.perTurn, target, spool.lip);
  if (level === null) return null;
  const gap = spool.lip - level;
  return gap >= USUAL_LIMITS.least && gap <= USUAL_LIMITS.most ? gap : null;
}
