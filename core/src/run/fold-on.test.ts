import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { event, FACTS } from '../testing/runs';
import { beginFold, foldOn, foldRun, stateOf } from './fold-run';
import type { RunHappening } from './run-event';

const layer = fc.constantFrom('backing', 'main', 'constructor');
const happening: fc.Arbitrary<RunHappening | 'undo'> = fc.oneof(
  fc.record({
    kind: fc.constant('turns' as const),
    payload: fc.record({ layer, turns: fc.integer({ min: -40, max: 200 }) }),
  }),
  fc.record({
    kind: fc.constant('turns' as const),
    payload: fc.record({
      layer,
      turns: fc.integer({ min: 0, max: 90 }),
      per: fc.constantFrom(1, 5.2),
      device: fc.constant('reed-1'),
      count: fc.nat(2000),
    }),
  }),
  fc.record({ kind: fc.constant('count-set' as const), payload: fc.record({ layer, turns: fc.nat(300) }) }),
  fc.record({
    kind: fc.constant('metres' as const),
    payload: fc.record({ layer, metres: fc.integer({ min: -9, max: 30 }) }),
  }),
  fc.record({
    kind: fc.constant('depth-read' as const),
    payload: fc.record({
      after: layer,
      depth: fc.integer({ min: 0, max: 9 }),
      by: fc.constant('eye' as const),
    }),
  }),
  fc.record({
    kind: fc.constant('step-done' as const),
    payload: fc.record({ step: fc.constantFrom('strip', 'mount', 'wind-backing') }),
  }),
  fc.record({
    kind: fc.constant('step-again' as const),
    payload: fc.constant({ steps: ['strip', 'wind-backing'] }),
  }),
  fc.record({ kind: fc.constant('held' as const), payload: fc.record({ on: fc.boolean() }) }),
  fc.record({
    kind: fc.constant('restarted' as const),
    payload: fc.record({ layer, why: fc.constant('loose' as const) }),
  }),
  fc.constant('undo' as const),
);

describe('a log folded as it grows', () => {
  it('comes to the same at every length, wherever it was left off', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(happening, fc.nat(), fc.boolean()), { maxLength: 40 }), (drawn) => {
        const log = drawn.map(([one, which], i) =>
          one === 'undo'
            ? event(i + 1, { kind: 'undone', payload: { event: event(1 + (which % (i + 1)), TEN).id } })
            : event(i + 1, one),
        );
        const fold = beginFold(FACTS);
        let from = 0;
        drawn.forEach(([, , looked], i) => {
          if (!looked) return;
          foldOn(fold, log.slice(from, i + 1));
          from = i + 1;
          expect(stateOf(fold)).toEqual(foldRun(FACTS, log.slice(0, from)));
        });
      }),
      { seed: 12, numRuns: 300 },
    );
  });

  it('leaves a state that was looked at as it was', () => {
    const fold = beginFold(FACTS);
    foldOn(fold, [event(1, TEN)]);
    const before = stateOf(fold);
    const kept = JSON.stringify(before);
    foldOn(fold, [event(2, TEN), event(3, { kind: 'step-done', payload: { step: 'strip' } })]);
    expect(JSON.stringify(before)).toBe(kept);
    expect(before.done.size).toBe(0);
    expect(stateOf(fold).turns.backing).toBe(20);
  });
});

const TEN: RunHappening = { kind: 'turns', payload: { layer: 'backing', turns: 10 } };
