import type { Bag, Piece, Run } from '@yard-spool/contract';
import { makePlan, runSteps, USUAL_HOUSE_RULES, type PlanInput, type RunFacts } from '@yard-spool/core';
import type { TestShop } from './test-shop';

type Ask = Awaited<ReturnType<TestShop['as']>>;

const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;

/** 120 m of 0.26 over as much 0.25 as fits. */
export const PLAN_INPUT: PlanInput = {
  observations: [
    { kind: 'rating', length: 210, diameter: 0.25 },
    { kind: 'rating', length: 148, diameter: 0.3 },
    { kind: 'lip', diameter: 46 },
  ],
  request: {
    layers: [
      { kind: 'line', id: 'backing', role: 'backing', line: line('T-25', 0.25), length: 'fits' },
      { kind: 'line', id: 'main', role: 'main', line: line('T-26', 0.26), length: 120 },
    ],
    gap: 1.5,
    gear: 5.2,
  },
};

/** What the steps of such a reel are made from. */
export const RUN_FACTS: RunFacts = {
  request: PLAN_INPUT.request,
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  mainFirst: false,
  leader: false,
};

/** Two pieces on the rack: backing and main. */
export async function receiveTwo(
  ask: Ask,
  metres = 500,
  prefix = 'P',
): Promise<{ backing: Piece; main: Piece }> {
  const receive = async (code: string, product: string, diameter: number): Promise<Piece> => {
    const known = (await ask<{ id: number; code: string }[]>('GET', '/products')).body.find(
      (one) => one.code === product,
    );
    const fresh = {
      code: product,
      name: `Test nylon ${diameter}`,
      material: 'nylon',
      diameter,
      strengthKg: null,
      tint: '#aabbcc',
    };
    const body = {
      code,
      product: known ? { id: known.id } : fresh,
      kind: 'bulk',
      place: 'Wall',
      lengthMm: metres * 1000,
    };
    return (await ask<Piece>('POST', '/pieces', body)).body;
  };
  return {
    backing: await receive(`${prefix}-25`, 'T-25', 0.25),
    main: await receive(`${prefix}-26`, 'T-26', 0.26),
  };
}

/** The body of a booking of one reel. */
export const booking = (pieces: { backing: Piece; main: Piece }, more: object = {}) => ({
  key: crypto.randomUUID(),
  customer: { name: 'Someone New', contact: '' },
  promisedAt: '2030-01-02T16:00:00.000Z',
  notes: '',
  jobs: [
    {
      type: 'fixed-spool',
      label: 'Test 3000',
      planInput: PLAN_INPUT,
      cuts: [
        { layer: 'backing', pieceId: pieces.backing.id },
        { layer: 'main', pieceId: pieces.main.id },
      ],
    },
  ],
  ...more,
});

/** The bench every shop begins with, Bench 1. */
export const FIRST_BENCH = 1;

/** Books a reel and takes it to the bench. */
export async function runOf(ask: Ask, pieces: { backing: Piece; main: Piece }): Promise<Run> {
  const bag = (await ask<Bag>('POST', '/bags', booking(pieces))).body;
  return (await ask<Run>('POST', '/runs', { jobId: bag.jobs[0]!.id, benchId: FIRST_BENCH })).body;
}

interface Happening {
  readonly kind: string;
  readonly payload: object;
}

/** Events ready to send, numbered on from `after`. */
export const numbered = (run: Run, after: number, happenings: readonly Happening[]) =>
  happenings.map((happening, i) => ({
    ...happening,
    id: crypto.randomUUID(),
    run: String(run.id),
    seq: after + 1 + i,
    at: '2030-01-02T10:00:00.000Z',
    by: 'whoever',
  }));

/** Everything a technician would do to fill as planned. */
export function wholeFill(planInput: PlanInput = PLAN_INPUT): Happening[] {
  const made = makePlan(planInput);
  if (!made.ok) throw new Error('This plan works.');
  const turnsOf = (layer: string): number =>
    Math.round(made.value.plan.layers.find(({ id }) => id === layer)?.handleTurns.value ?? 0);
  return runSteps({ ...RUN_FACTS, request: planInput.request }).flatMap((step): Happening[] => [
    ...(step.kind === 'wind' && step.layer
      ? [{ kind: 'turns', payload: { layer: step.layer, turns: turnsOf(step.layer) } }]
      : []),
    ...(step.kind === 'depth'
      ? [{ kind: 'depth-read', payload: { after: step.layer, depth: 6.1, by: 'calliper' } }]
      : []),
    ...(step.kind === 'gap'
      ? [{ kind: 'depth-read', payload: { after: 'gap', depth: 1.6, by: 'calliper' } }]
      : []),
    { kind: 'step-done', payload: { step: step.id } },
  ]);
}

/** A whole fill, with something done once the main is half on. */
export const halfWay = (done: readonly Happening[]): Happening[] =>
  wholeFill()
    .filter(({ kind }) => kind !== 'depth-read')
    .flatMap((happening) => {
      const { layer, turns } = happening.payload as { layer?: string; turns?: number };
      if (happening.kind !== 'turns' || layer !== 'main' || turns === undefined) return [happening];
      const half = Math.round(turns / 2);
      return [
        { kind: 'turns', payload: { layer, turns: half } },
        ...done,
        { kind: 'turns', payload: { layer, turns: turns - half } },
      ];
    });
