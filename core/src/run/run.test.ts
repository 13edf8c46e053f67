import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { planFill } from '../plan/plan-fill';
import { knownSpool } from '../spool/estimate';
import { valueOf, WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { foldRun } from './fold-run';
import type { RunEvent, RunHappening } from './run-event';
import { runSteps } from './run-steps';
import { windingNow } from './turns-to-go';
import { woundSoFar } from './wound';

const exact = knownSpool(WORKED_SPOOL);
const steps = runSteps(WORKED_REQUEST);
const event = (seq: number, happening: RunHappening): RunEvent => ({
  ...happening,
  id: `e${seq}`,
  run: '1',
  seq,
  at: '2026-01-01T00:00:00.000Z',
  by: 'somebody',
});
const turns = (seq: number, count: number): RunEvent =>
  event(seq, { kind: 'turns', payload: { layer: 'backing', turns: count } });

describe('runSteps', () => {
  it('follows the trade’s order: strip, mount, tie on, wind, join, wind, gap, clip, drag, tag', () => {
    expect(steps.map(({ id }) => id)).toEqual([
      'strip',
      'mount',
      'tie-on',
      'wind-backing',
      'join-main',
      'wind-main',
      'gap',
      'clip',
      'drag',
      'tag',
    ]);
  });

  it('gives a bare arbor grip where braid goes on first', () => {
    const braid = { key: 'b', material: 'braid', diameter: 0.2 } as const;
    const [, grip] = runSteps({
      gear: 5,
      gap: 1,
      layers: [{ kind: 'line', id: 'm', role: 'main', line: braid, length: 'fits' }],
    });
    expect(grip?.kind).toBe('grip');
  });
});

describe('foldRun', () => {
  it('adds turns, takes a corrected count, and goes on from there', () => {
    const log = [
      turns(1, 10),
      turns(2, 10),
      turns(3, -1),
      event(4, { kind: 'count-set', payload: { layer: 'backing', turns: 50 } }),
      turns(5, 10),
    ];
    expect(foldRun(steps, log).turns.backing).toBe(60);
  });

  it('passes over what was taken back, and keeps it in the log', () => {
    const log = [turns(1, 10), turns(2, 10), event(3, { kind: 'undone', payload: { event: 'e2' } })];
    const state = foldRun(steps, log);
    expect(state.turns.backing).toBe(10);
    expect(state.undoable?.id).toBe('e1');
    expect(state.seq).toBe(3);
  });

  it('counts an event once however often and in whatever order it comes', () => {
    const log = Array.from({ length: 12 }, (_, i) => turns(i + 1, i - 3));
    fc.assert(
      fc.property(fc.shuffledSubarray([...log, ...log], { minLength: 24, maxLength: 24 }), (shuffled) => {
        expect(foldRun(steps, shuffled).turns).toEqual(foldRun(steps, log).turns);
      }),
    );
  });

  it('moves to the first step that is not done', () => {
    const state = foldRun(steps, [event(1, { kind: 'step-done', payload: { step: 'strip' } })]);
    expect(state.current?.id).toBe('mount');
    expect(
      foldRun(
        steps,
        steps.map(({ id }, i) => event(i + 1, { kind: 'step-done', payload: { step: id } })),
      ).current,
    ).toBeNull();
  });

  it('never counts below nought', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -50, max: 50 })), (counts) => {
        expect(
          foldRun(
            steps,
            counts.map((count, i) => turns(i + 1, count)),
          ).turns.backing ?? 0,
        ).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});

describe('woundSoFar', () => {
  it('gives the plan’s metres back from the plan’s turns', () => {
    const plan = valueOf(planFill(exact, WORKED_REQUEST));
    const counted = Object.fromEntries(plan.layers.map(({ id, handleTurns }) => [id, handleTurns.value]));
    const wound = woundSoFar(exact, WORKED_REQUEST, counted);
    wound.forEach((layer, i) => expect(layer.length).toBeCloseTo(plan.layers[i]!.length.value, 6));
    expect(wound.at(-1)!.depthAfter).toBeCloseTo(1.5, 6);
  });
});

describe('windingNow', () => {
  it('counts the planned turns down to nought', () => {
    const start = windingNow(exact, WORKED_REQUEST, {}, 'backing')!;
    expect(start.turnsToGo).toBe(166);
    expect(windingNow(exact, WORKED_REQUEST, { backing: 166 }, 'backing')!.turnsToGo).toBe(0);
    expect(windingNow(exact, WORKED_REQUEST, { backing: 400 }, 'backing')!.turnsToGo).toBe(0);
  });

  it('asks for more turns of main where the backing came out short, and the gap grows', () => {
    const short = windingNow(exact, WORKED_REQUEST, { backing: 140 }, 'main')!;
    const full = windingNow(exact, WORKED_REQUEST, { backing: 165.74 }, 'main')!;
    expect(short.planned.handleTurns.value).toBeGreaterThan(full.planned.handleTurns.value);
    expect(short.plan.gap.value).toBeGreaterThan(full.plan.gap.value);
  });
});
