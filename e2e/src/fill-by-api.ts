import type { Bag, Fill, Piece, Run } from '@yard-spool/contract';
import { makePlan, runFacts, runSteps, type PlanInput, type ReelType } from '@yard-spool/core';
import type { Browser } from './browser';

/** A piece of nylon 0.26 of its own on the rack, of a lot. */
export const bringLot = (browser: Browser, like: Piece, code: string, lot: string): Promise<Piece> =>
  browser.post<Piece>('/pieces', {
    code,
    product: { id: like.product.id },
    kind: 'bulk',
    place: 'Journeys',
    lengthMm: 3_000_000,
    lot,
  });

/** A reel booked and filled as planned off one piece without the screen, for what a journey needs many of. */
export async function fillByApi(
  browser: Browser,
  { product, id }: Piece,
  { type = 'fixed-spool', customer }: { readonly type?: ReelType; readonly customer: string },
): Promise<Fill> {
  const line = { key: product.code, material: product.material, diameter: product.diameter };
  const planInput: PlanInput = {
    observations: [
      { kind: 'rating', length: 210, diameter: 0.25 },
      { kind: 'lip', diameter: 46 },
    ],
    request: {
      layers: [{ kind: 'line', id: 'main', role: 'main', line, length: 150 }],
      gear: 5,
    },
  };
  const bag = await browser.post<Bag>('/bags', {
    key: crypto.randomUUID(),
    customer: { name: customer, contact: '' },
    promisedAt: new Date(Date.now() + 86_400_000).toISOString(),
    notes: '',
    jobs: [{ type, label: `By hand ${type}`, planInput, cuts: [{ layer: 'main', pieceId: id }] }],
  });
  const run = await browser.post<Run>('/runs', { jobId: bag.jobs[0]?.id, benchId: 2 });
  const made = makePlan(planInput);
  const turns = made.ok ? Math.round(made.value.plan.layers[0]?.handleTurns.value ?? 0) : 0;
  const events = runSteps(runFacts(run)).flatMap((step) => [
    ...(step.kind === 'wind' ? [{ kind: 'turns', payload: { layer: 'main', turns } }] : []),
    { kind: 'step-done', payload: { step: step.id } },
  ]);
  await browser.post(`/runs/${String(run.id)}/events`, {
    events: events.map((event, i) => ({
      ...event,
      id: crypto.randomUUID(),
      run: String(run.id),
      seq: run.events.length + 1 + i,
      at: new Date().toISOString(),
      by: 'Joss',
    })),
  });
  return browser.post<Fill>(`/runs/${String(run.id)}/close`, {});
}
