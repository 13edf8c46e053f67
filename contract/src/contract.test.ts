import { makePlan, type PlanInput } from '@yard-spool/core';
import { describe, expect, it } from 'vitest';
import * as v from 'valibot';
import { api } from './api';
import { FillPlanSchema, PlanInputSchema } from './plan';
import { RunEventSchema } from './run-events';

const INPUT: PlanInput = {
  observations: [
    { kind: 'rating', length: 210, diameter: 0.25 },
    { kind: 'lip', diameter: 46 },
  ],
  request: {
    layers: [
      {
        kind: 'line',
        id: 'backing',
        role: 'backing',
        line: { key: 'A-25', material: 'nylon', diameter: 0.25 },
        length: 'fits',
      },
      {
        kind: 'line',
        id: 'main',
        role: 'main',
        line: { key: 'A-26', material: 'nylon', diameter: 0.26 },
        length: 120,
      },
    ],
    gap: 1.5,
    gear: 5.2,
  },
};

describe('what travels', () => {
  it('is the core’s plan to the last digit, through text and back', () => {
    const made = makePlan(INPUT);
    if (!made.ok) throw new Error('This plan works.');
    const travelled = v.parse(FillPlanSchema, JSON.parse(JSON.stringify(made.value.plan)));
    expect(travelled).toEqual(made.value.plan);
  });

  it('gives the same plan from an input that travelled', () => {
    const travelled = v.parse(PlanInputSchema, JSON.parse(JSON.stringify(INPUT)));
    expect(makePlan(travelled)).toEqual(makePlan(INPUT));
  });

  it('refuses a plan input with a length that is no number', () => {
    const wrong = JSON.parse(JSON.stringify(INPUT).replace('210', '"210"')) as unknown;
    expect(v.safeParse(PlanInputSchema, wrong).success).toBe(false);
  });

  it('refuses an event with a payload of another kind', () => {
    const event = {
      id: '0b0e8f3a-4c5d-4e6f-8a9b-0c1d2e3f4a5b',
      run: '1',
      seq: 1,
      at: new Date().toISOString(),
      by: 'x',
      kind: 'turns',
      payload: { step: 'tag' },
    };
    expect(v.safeParse(RunEventSchema, event).success).toBe(false);
    expect(v.safeParse(RunEventSchema, { ...event, payload: { layer: 'main', turns: 10 } }).success).toBe(
      true,
    );
  });

  it('has one route for each method and path', () => {
    const routes = Object.values(api).map(({ method, path }) => `${method} ${path}`);
    expect(new Set(routes).size).toBe(routes.length);
  });
});
