import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evidenceOfRun } from '../settle/evidence-of-run';
import { settleFill } from '../settle/settle-fill';
import { valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { done, event, FACTS, turns } from '../testing/runs';
import { foldRun } from './fold-run';
import { gapRemedy, thumbRemedy } from './gap-remedy';
import type { RunEvent } from './run-event';
import { runUnderWay } from './under-way';

const INPUT = { observations: WORKED_READINGS.slice(0, 4), request: WORKED_REQUEST };
const BELOW = [
  ...done(1, 'strip', 'mount', 'tie-on'),
  turns(4, 166),
  ...done(5, 'wind-backing', 'depth-backing', 'join-main'),
];
const eye = (seq: number): RunEvent =>
  event(seq, { kind: 'step-done', payload: { step: 'wind-main', by: 'eye' } });
const gap = (seq: number, depth: number): RunEvent =>
  event(seq, { kind: 'depth-read', payload: { after: 'gap', depth, by: 'calliper' } });
const again = (seq: number): RunEvent =>
  event(seq, { kind: 'step-again', payload: { steps: ['wind-main', 'gap'] } });
const under = (...log: readonly RunEvent[]) => {
  const state = foldRun(FACTS, log);
  return { state, way: runUnderWay(INPUT, FACTS, state)! };
};
const main = (...log: readonly RunEvent[]) => under(...log).way.wound.at(-1)!;
const settled = (...log: readonly RunEvent[]) =>
  valueOf(settleFill(evidenceOfRun(INPUT, FACTS, foldRun(FACTS, log), {})));

/** Wound by eye after so many turns, and the gap read low. */
const SEEN = [...BELOW, turns(8, 25, 'main'), eye(9), gap(10, 3.2)];

describe('a layer wound by eye', () => {
  it('is counted on from what was seen, by every way of counting', () => {
    const before = main(...SEEN);
    const more = main(...SEEN, again(11), turns(12, 44, 'main'));
    expect(before.depthAfter).toBeCloseTo(3.2, 6);
    expect(more.handleTurns - before.handleTurns).toBeCloseTo(44, 6);
    expect(more.length).toBeGreaterThan(before.length + 20);
    const metres = event(12, { kind: 'metres', payload: { layer: 'main', metres: 7 } });
    expect(main(...SEEN, again(11), metres).length).toBeCloseTo(before.length + 7, 3);
    const typed = event(12, { kind: 'count-set', payload: { layer: 'main', turns: 190 } });
    expect(main(...SEEN, again(11), typed).handleTurns).toBeCloseTo(190, 6);
  });

  it('reaches what the remedy asked for, and is closed with it', () => {
    const { state, way } = under(...SEEN);
    const remedy = gapRemedy(FACTS, way, state)!;
    expect(remedy.how).toBe('add');
    const back = [...SEEN, again(11), turns(12, Math.round(remedy.counted.amount), 'main')];
    expect(main(...back).length).toBeCloseTo(remedy.comesTo, 0);
    const end = settled(...back, ...done(13, 'wind-main'), gap(14, 1.6));
    const on = end.layers.at(-1)!.length;
    expect(on.low).toBeLessThan(remedy.comesTo);
    expect(on.high).toBeGreaterThan(remedy.comesTo);
    expect(Math.abs(on.value / remedy.comesTo - 1)).toBeLessThan(0.1);
    expect(end.question).toBeNull();
    const arbor = settled(...SEEN).spool.spool.arborRadius;
    expect(Math.abs(end.spool.spool.arborRadius - arbor)).toBeLessThan(0.3);
  });

  it('holds its turns where nothing was read and the thumb felt metal', () => {
    const low = event(10, { kind: 'noted', payload: { step: 'thumb', values: { level: 'low' } } });
    const log = [...BELOW, eye(9), low];
    const { state, way } = under(...log);
    const remedy = thumbRemedy(FACTS, way, state)!;
    const cut = { layer: 'main', how: 'cut-short', length: remedy.comesTo } as const;
    const chosen = event(11, { kind: 'chosen', payload: cut });
    const on = main(...log, chosen, again(12), turns(13, 30, 'main'));
    expect(on.handleTurns - main(...log).handleTurns).toBeCloseTo(30, 6);
    const [few, many] = [30, 90].map(
      (more) =>
        settled(...log, chosen, again(12), turns(13, more, 'main'), ...done(14, 'wind-main')).layers.at(-1)!
          .length.value,
    );
    expect(many! - few!).toBeGreaterThan(30);
  });

  it('is asked about no longer by a reading that is older than what was wound since', () => {
    const { state, way } = under(...SEEN, again(11), eye(12));
    expect(gapRemedy(FACTS, way, state)).toBeNull();
  });

  it('takes on exactly what is counted later, whatever was counted before and however low it stood', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 1.8, max: 4.5, noNaN: true }),
        fc.array(fc.integer({ min: -4, max: 25 }), { maxLength: 6 }),
        (before, depth, later) => {
          const log = [...BELOW, turns(8, before, 'main'), eye(9), gap(10, depth), again(11)];
          const counted = later.map((count, i) => turns(12 + i, count, 'main'));
          const total = later.reduce((sum, count) => sum + count, 0);
          const went = main(...log, ...counted).handleTurns - main(...log).handleTurns;
          expect(went).toBeCloseTo(total, 6);
        },
      ),
      { numRuns: 60 },
    );
  });
});
