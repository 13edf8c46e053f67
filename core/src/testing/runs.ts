import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import type { RunEvent, RunHappening } from '../run/run-event';
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
