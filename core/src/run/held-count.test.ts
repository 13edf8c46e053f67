import { describe, expect, it } from 'vitest';
import { done, event, FACTS } from '../testing/runs';
import { countQuestion } from './count-question';
import { creditCount } from './credit-count';
import { foldRun } from './fold-run';
import type { RunEvent } from './run-event';

const DEVICE = { name: 'reed-1', counts: 'handle-turns', per: 1 } as const;
const at = (seq: number, count: number): RunEvent =>
  event(seq, { kind: 'device-at', payload: { device: 'reed-1', count } });
const credit = (seq: number, from: number, count: number): RunEvent =>
  event(seq, {
    kind: 'turns',
    payload: { layer: 'backing', turns: count - from, per: 5, device: 'reed-1', count, from },
  });
const held = (seq: number, count: number): RunEvent =>
  event(seq, { kind: 'held', payload: { on: true, device: 'reed-1', count } });
/** Backing is wound from where its counter stood at zero. */
const WINDING: readonly RunEvent[] = [...done(1, 'strip', 'mount', 'tie-on'), at(4, 0)];
const fold = (...more: readonly RunEvent[]) => foldRun(FACTS, [...WINDING, ...more]);
const told = (state: ReturnType<typeof fold>, count: number, more: object = {}) =>
  creditCount(DEVICE, state, count, { gear: 5, ...more });

describe('a count that is held', () => {
  it('is held from where somebody says the device stands, once it began again', () => {
    const began = fold(credit(5, 0, 25), held(6, 25), at(7, 0));
    expect(told(began, 0)).toEqual({ happening: null, unclaimed: 0, odd: null });
    expect(told(began, 5)).toEqual({ happening: null, unclaimed: 5, odd: null });
    expect(began.turns.backing).toBe(25);
  });

  it('loses nothing while what came meanwhile is left out', () => {
    const leftOut = fold(credit(5, 0, 30), held(6, 30), at(7, 35));
    expect(told(leftOut, 35).happening).toBeNull();
    expect(leftOut.turns.backing).toBe(30);
    const on = fold(
      credit(5, 0, 30),
      held(6, 30),
      at(7, 35),
      event(8, { kind: 'held', payload: { on: false } }),
    );
    expect(told(on, 37).happening?.payload).toMatchObject({ turns: 2, from: 35 });
  });

  it('adds nothing at another bench, whose counter has the same name and stands elsewhere', () => {
    const taken = [credit(5, 0, 20), held(6, 20)];
    const there = told({ ...fold(...taken), counting: new Set<string>() }, 0, { since: 0 });
    expect(there.happening).toEqual({ kind: 'device-at', payload: { device: 'reed-1', count: 0 } });
    const state = fold(...taken, at(7, 0));
    expect(told(state, 0).happening).toBeNull();
    expect(told(state, 3)).toMatchObject({ happening: null, unclaimed: 3 });
  });

  it('was seen when a step was done: what came before that is its own', () => {
    const seen = { device: 'reed-1', count: 30 };
    const state = fold(
      credit(5, 0, 25),
      held(6, 25),
      event(7, { kind: 'count-set', payload: { layer: 'backing', turns: 28, seen } }),
    );
    expect(told(state, 30).happening).toBeNull();
    expect(state.turns.backing).toBe(28);
  });

  it('that was credited further while the hold was on its way is taken back to where it was held', () => {
    const late = fold(credit(5, 0, 34), held(6, 30));
    expect(told(late, 34).happening?.payload).toMatchObject({ turns: -4, count: 30 });
  });
});

describe('a counter that began again', () => {
  const wound = fold(credit(5, 0, 12));
  const doubt = { doubt: 'restarted' } as const;
  const ask = (state: typeof wound, count: number) =>
    countQuestion(state, { device: DEVICE, count, odd: 'restarted', gear: () => 5 });

  it('is still asked about where its count comes by the last one that was credited', () => {
    // Also where it stands at what was said of it before.
    expect(ask(wound, 0)?.answers).toHaveLength(2);
    for (const count of [11, 12, 13]) {
      expect([count, told(wound, count, doubt).odd]).toEqual([count, 'restarted']);
      expect(ask(wound, count)?.answers[0]).toMatchObject({ words: { code: 'count.since' } });
    }
    expect(ask(wound, 12)!.answers[0]!.happenings[0]).toMatchObject({
      kind: 'turns',
      payload: { turns: 12 },
    });
  });

  it('is asked about no more once somebody said where it stands', () => {
    const answered = fold(credit(5, 0, 12), at(6, 12));
    expect(told(answered, 12, { ...doubt, answered: true })).toEqual({
      happening: null,
      unclaimed: 0,
      odd: null,
    });
    expect(ask(answered, 12)).toBeNull();
  });
});

it('a counter that jumped and was wound on is asked what fits all of it', () => {
  const jumped = fold(credit(5, 0, 10));
  const ask = (count: number, since?: number) =>
    countQuestion(jumped, {
      device: DEVICE,
      count,
      odd: 'jumped',
      gear: () => 5,
      ...(since === undefined ? {} : { since }),
    })!.answers.map(({ words, happenings }) => [
      (words as { code?: string }).code ?? words,
      happenings.map(({ kind, payload }) => (kind === 'turns' ? payload.turns : kind)),
    ]);
  expect(ask(220, 210)).toEqual([
    ['count.since-jump', [10, 'device-at']],
    ['Count none of them', ['device-at']],
    ['count.were-wound', [210, 'device-at']],
  ]);
  // Nothing was wound on: there is nothing to tell apart.
  expect(ask(210, 210).map(([words]) => words)).toEqual(['Count none of them', 'count.were-wound']);
  expect(ask(210)).toHaveLength(2);
});
