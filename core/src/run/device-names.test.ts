import { describe, expect, it } from 'vitest';
import { done, event, FACTS } from '../testing/runs';
import { countQuestion } from './count-question';
import { creditCount } from './credit-count';
import { foldRun } from './fold-run';
import type { RunEvent } from './run-event';
import { takenUpAt } from '../devices/taken-up-at';

const device = (name: string) => ({ name, counts: 'handle-turns', per: 1 }) as const;
const credit = (seq: number, name: string, from: number, count: number): RunEvent =>
  event(seq, {
    kind: 'turns',
    payload: { layer: 'backing', turns: count - from, per: 5, device: name, count, from },
  });
const called = (seq: number, is: string, was: string, count: number): RunEvent =>
  event(seq, { kind: 'device-at', payload: { device: is, count, was } });

/** Backing is wound, and reed-1 was credited up to 30. */
const WINDING = [
  ...done(1, 'strip', 'mount'),
  event(3, { kind: 'step-done', payload: { step: 'tie-on', seen: { device: 'reed-1', count: 20 } } }),
  credit(4, 'reed-1', 20, 30),
];
const fold = (...more: readonly RunEvent[]) => foldRun(FACTS, [...WINDING, ...more]);

describe('a device that is called otherwise', () => {
  it('goes on where it was credited, under either name', () => {
    const state = fold(called(5, 'reed-9', 'reed-1', 30));
    expect([state.turns.backing, state.devices]).toEqual([10, { 'reed-9': 30 }]);
    expect(state.counting.has('reed-9')).toBe(true);
    expect(creditCount(device('reed-9'), state, 36, { gear: 5 }).happening).toMatchObject({
      payload: { turns: 6, from: 30 },
    });
    // What was on its way under the old name is the same device's, and counts once.
    const late = fold(
      called(5, 'reed-9', 'reed-1', 30),
      credit(6, 'reed-1', 30, 34),
      credit(7, 'reed-9', 34, 36),
    );
    expect([late.turns.backing, late.devices]).toEqual([16, { 'reed-9': 36 }]);
  });

  it('is still asked what it was asked: turns by hand beside it, and a layer that ended unheard', () => {
    const unheard = { device: 'reed-1', count: 30, unheard: true } as const;
    const byHand = event(5, {
      kind: 'turns',
      payload: { layer: 'backing', turns: 3, per: 5, seen: unheard },
    });
    // Some of it was done before it was called otherwise, some is sent after that under the old name.
    const more = event(7, { kind: 'turns', payload: { layer: 'backing', turns: 4, per: 5, seen: unheard } });
    const state = fold(byHand, called(6, 'reed-9', 'reed-1', 30), more);
    expect(state.unheard).toMatchObject({ 'reed-9': { since: 30, byHand: { backing: { turns: 7 } } } });
    expect(Object.keys(state.unheard)).toEqual(['reed-9']);
    const asked = countQuestion(state, {
      device: device('reed-9'),
      count: 42,
      odd: 'unheard',
      gear: () => 5,
    });
    const [first] = asked!.answers;
    const after = fold(
      byHand,
      called(6, 'reed-9', 'reed-1', 30),
      more,
      ...first!.happenings.map((one, i) => event(8 + i, one)),
    );
    expect(after.unheard).toEqual({});
    expect(after.devices).toEqual({ 'reed-9': 42 });
  });

  it('is held where it was held, and may have its old name again', () => {
    const held = event(5, { kind: 'held', payload: { on: true, device: 'reed-1', count: 30 } });
    const state = fold(held, called(6, 'reed-9', 'reed-1', 30));
    expect(state.heldAt).toEqual({ 'reed-9': 30 });
    const back = fold(
      called(5, 'reed-9', 'reed-1', 30),
      called(6, 'reed-1', 'reed-9', 30),
      credit(7, 'reed-1', 30, 35),
    );
    expect([back.turns.backing, back.devices, back.called]).toEqual([
      15,
      { 'reed-1': 35 },
      { 'reed-9': 'reed-1' },
    ]);
    // Called otherwise twice, each of its names is known.
    const twice = fold(
      called(5, 'b', 'reed-1', 30),
      called(6, 'c', 'b', 30),
      credit(7, 'reed-1', 30, 33),
      credit(8, 'b', 33, 34),
    );
    expect([twice.turns.backing, twice.devices]).toEqual([14, { c: 34 }]);
  });

  it('is not answered by that', () => {
    expect(takenUpAt(called(5, 'reed-9', 'reed-1', 30), 'reed-9')).toBeNull();
    expect(
      takenUpAt(event(5, { kind: 'device-at', payload: { device: 'reed-9', count: 30 } }), 'reed-9'),
    ).toBe(30);
    const state = fold(called(5, 'reed-9', 'reed-1', 30));
    expect([state.answeredAt, state.answeredIn]).toEqual([{ 'reed-9': 20 }, { 'reed-9': 3 }]);
  });

  it('is asked about again where it stands as it was said to before it came into doubt', () => {
    const state = fold(event(5, { kind: 'device-at', payload: { device: 'reed-1', count: 30 } }));
    const asked = { device: device('reed-1'), count: 30, odd: 'restarted', gear: () => 5 } as const;
    expect(countQuestion(state, { ...asked, from: 4 })).toBeNull();
    expect(countQuestion(state, { ...asked, from: 5 })?.answers).toHaveLength(2);
  });
});
