import type { Job, Run } from '@yard-spool/contract';
import {
  makePlan,
  USUAL_HOUSE_RULES,
  type PlanInput,
  type RunEvent,
  type RunHappening,
} from '@yard-spool/core';

const nylon = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;

/** 120 m of 0.26 over as much 0.25 as fits, to 1.5 mm. */
export const PLAN_INPUT: PlanInput = {
  observations: [
    { kind: 'rating', length: 210, diameter: 0.25 },
    { kind: 'lip', diameter: 46 },
  ],
  request: {
    layers: [
      { kind: 'line', id: 'backing', role: 'backing', line: nylon('SN-25', 0.25), length: 'fits' },
      { kind: 'line', id: 'main', role: 'main', line: nylon('CN-26', 0.26), length: 120 },
    ],
    gap: 1.5,
    gear: 5.2,
  },
};

/** One line of a log. */
export const anEvent = (seq: number, happening: RunHappening): RunEvent => ({
  ...happening,
  id: `00000000-0000-4000-8000-${String(seq).padStart(12, '0')}`,
  run: '5',
  seq,
  at: '2030-01-01T00:00:00.000Z',
  by: 'Tova',
});

/** The steps of a log, done one after another from the second place on. */
export const stepsDone = (...steps: readonly string[]): RunEvent[] =>
  steps.map((step, i) => anEvent(i + 2, { kind: 'step-done', payload: { step } }));

/** A run as the server tells it, with its log after the start. */
export function aRun(log: readonly RunEvent[] = [], more: Partial<Run> = {}, job: Partial<Job> = {}): Run {
  const made = makePlan(PLAN_INPUT);
  if (!made.ok) throw new Error('This plan works.');
  return {
    id: 5,
    bench: 'Bench 1',
    benchId: 1,
    state: 'open',
    bagNumber: 4,
    customer: 'Ivo',
    reelsInBag: 1,
    job: {
      id: 1,
      position: 1,
      state: 'on-the-bench',
      tag: 'R-0001',
      type: 'fixed-spool',
      label: 'Pier 3000',
      looks: '',
      spool: 'own',
      planInput: PLAN_INPUT,
      plan: made.value.plan,
      cuts: [],
      runId: 5,
      wants: {
        leastMm: null,
        leader: '',
        dragKg: null,
        onItNow: '',
        mainFirst: false,
        endForEnd: false,
        gap: 'typed',
        bevelMm: null,
        counterOnly: false,
      },
      ...job,
    },
    under: { rules: USUAL_HOUSE_RULES, from: {}, tailMm: 2000, spanMm: 1500, hand: 'right' },
    supplies: [],
    pieces: {},
    seatReversed: false,
    device: null,
    notes: '',
    lastTime: null,
    sister: null,
    events: [anEvent(1, { kind: 'started', payload: { bench: 'Bench 1' } }), ...log],
    ...more,
  };
}
