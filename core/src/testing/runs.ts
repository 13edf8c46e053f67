import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import type { RunEvent, RunHappening, Walked } from '../run/run-event';
import type { RunFacts } from '../steps/run-facts';
import { WORKED_REQUEST } from './examples';

/** A fixed spool of the worked fill, filled as the usual house does. */
export const FACTS: RunFacts = {
  request: WORKED_REQUEST,
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  mainFirst: false,
  leader: false,
};

/** One line of a log. */
export const event = (seq: number, happening: RunHappening): RunEvent => ({
  ...happening,
  id: `e${seq}`,
  run: '1',
  seq,
  at: '2026-01-01T00:00:00.000Z',
  by: 'somebody',
});

export const turns = (seq: number, count: number, layer = 'backing'): RunEvent =>
  event(seq, { kind: 'turns', payload: { layer, turns: count } });

/** The steps before a layer, done. */
export const done = (from: number, ...steps: readonly string[]): RunEvent[] =>
  steps.map((step, i) => event(from + i, { kind: 'step-done', payload: { step } }));

/** A foot, m. */
export const FT = 0.3048;

/** A walk to 100 ft in the field, and what the counter read there. */
export const walked = (seq: number, reading: number, more: Partial<Walked> = {}): RunEvent =>
  event(seq, {
    kind: 'walked',
    payload: {
      layer: 'main',
      match: 100 * FT,
      tape: 100 * FT,
      reading,
      unit: 'ft',
      step: 1,
      over: 'field',
      ...more,
    },
  });
