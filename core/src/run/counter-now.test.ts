import { describe, expect, it } from 'vitest';
import { counterMatch } from '../counter/counter-match';
import { topLength } from '../counter/paid-out';
import { learnCounters } from '../learn/learn-counters';
import { valueOf, WORKED_READINGS } from '../testing/examples';
import { done, event, FACTS, FT, turns, walked } from '../testing/runs';
import type { RunFacts } from '../steps/run-facts';
import { counterNow, counterRequest, setupOf } from './counter-now';
import { creditCount } from './credit-count';
import { foldRun } from './fold-run';
import { gapAsRead, gapMoved, gapRemedy } from './gap-remedy';
import { recordedMatch } from './recorded-match';
import type { RunEvent } from './run-event';
import { runSteps } from './run-steps';
import { runUnderWay } from './under-way';

const TROLL: RunFacts = { ...FACTS, type: 'trolling' };
const INPUT = { observations: WORKED_READINGS.slice(0, 4), request: FACTS.request };
const SETUP = { unit: 'ft', step: 1, match: 100 * FT } as const;

const metres = (seq: number, length: number): RunEvent =>
  event(seq, { kind: 'metres', payload: { layer: 'main', metres: length } });
/** Everything up to the counter, done. */
const before = runSteps(TROLL).map(({ id }) => id);
const upTo = before.slice(0, before.indexOf('counter'));
const START = [turns(1, 166), turns(2, 170, 'main'), ...done(3, ...upTo)];
const stand = (...log: readonly RunEvent[]) => {
  const state = foldRun(TROLL, [...START, ...log]);
  return { state, under: runUnderWay(INPUT, TROLL, state)! };
};

describe('the counter step of a run', () => {
  it('comes before the cut, and moves the line on top', () => {
    expect(before.indexOf('counter')).toBeLessThan(before.indexOf('clip'));
    expect(stand().state.current).toMatchObject({ id: 'counter', kind: 'counter', layer: 'main' });
    expect(runSteps(FACTS).some(({ kind }) => kind === 'counter')).toBe(false);
  });

  it('tells what was moved of a main that was wound by eye, and no more', () => {
    const eye = event(3, { kind: 'step-done', payload: { step: 'wind-main', by: 'eye' } });
    const gap = event(5, { kind: 'depth-read', payload: { after: 'gap', depth: 2.6, by: 'calliper' } });
    const log = [turns(1, 166), turns(2, 20, 'main'), eye, gap, ...done(6, ...upTo), walked(40, 104)];
    const of = (...more: readonly RunEvent[]) => {
      const state = foldRun(TROLL, [...log, ...more]);
      return counterRequest(TROLL, runUnderWay(INPUT, TROLL, state)!, state, SETUP);
    };
    expect(of().moved).toBeCloseTo(0, 6);
    expect(of().spool!.lip - of().spool!.outer).toBeCloseTo(2.6, 6);
    expect(of(metres(41, 9)).moved).toBeCloseTo(9, 6);
  });

  it('comes to the correction and back to agreement, with what was moved counted on the layer', () => {
    const first = stand(walked(40, 104));
    const match = counterNow(TROLL, first.under, first.state, SETUP)!;
    expect(match.verdict).toBe('add');
    expect(match.move.value).toBeGreaterThan(5);
    const then = stand(walked(40, 104), metres(41, match.move.value));
    expect(then.under.wound[1]!.length - first.under.wound[1]!.length).toBeCloseTo(match.move.value, 6);
    const again = counterNow(TROLL, then.under, then.state, SETUP)!;
    expect(again.verdict).toBe('walk');
    expect(again.expected.value).toBeCloseTo(100, 0);
    const last = stand(walked(40, 104), metres(41, match.move.value), walked(42, 100));
    expect(counterNow(TROLL, last.under, last.state, SETUP)!.verdict).toBe('agrees');
  });

  it('never asks for more line than reaches the lip, and says so before it does', () => {
    for (const reading of [102, 104, 108, 112, 118, 130]) {
      const { under, state } = stand(walked(40, reading));
      const request = counterRequest(TROLL, under, state, SETUP);
      const match = counterNow(TROLL, under, state, SETUP)!;
      if (match.verdict === 'add') expect(match.move.value).toBeLessThanOrEqual(request.room!);
      else expect([reading, match.check, match.reach?.past]).toEqual([reading, 'second', 'lip']);
    }
    const { under, state } = stand(walked(40, 104), walked(41, 104));
    const tight = valueOf(counterMatch({ ...counterRequest(TROLL, under, state, SETUP), room: 1 }));
    expect([tight.verdict, tight.reach?.past]).toEqual(['out-of-reach', 'lip']);
  });

  it('takes a walk for what the counter went on by, where it began at something else than zero', () => {
    const of = (...log: readonly RunEvent[]) => {
      const { under, state } = stand(...log);
      return counterNow(TROLL, under, state, SETUP)!.expected.value;
    };
    expect(of(walked(40, 112, { began: 12 }))).toBeCloseTo(of(walked(40, 100)), 9);
  });

  it('believes one of two walks that contradict each other, never their middle', () => {
    const { state } = stand(walked(40, 92), walked(41, 104, { without: [0] }));
    expect(state.walks.map(({ left = false }) => left)).toEqual([true, false]);
    const { under } = stand(walked(40, 104));
    const alone = counterNow(TROLL, under, stand(walked(40, 104)).state, SETUP)!;
    expect(counterNow(TROLL, under, state, SETUP)!.expected.value).toBeCloseTo(alone.expected.value, 9);
  });

  it('tells the gap from the line that was moved, never as it was read before', () => {
    const read = event(39, { kind: 'depth-read', payload: { after: 'gap', depth: 3, by: 'calliper' } });
    const at = stand(read);
    expect([gapMoved(TROLL, at.under, at.state), gapAsRead(TROLL, at.state)]).toEqual([0, 3]);
    const more = stand(read, walked(40, 104), metres(41, 12));
    expect(gapMoved(TROLL, more.under, more.state)).toBeGreaterThan(0.3);
    expect(gapAsRead(TROLL, more.state)).toBeNull();
    expect(gapRemedy(TROLL, more.under, more.state)).toBeNull();
    const back = stand(read, walked(40, 104), metres(41, 12), metres(42, -12));
    expect(gapMoved(TROLL, back.under, back.state)).toBeCloseTo(0, 6);
  });

  it('reads a depth taken later as the same walks on a spool that is known better', () => {
    const depth = event(50, { kind: 'depth-read', payload: { after: 'gap', depth: 1.2, by: 'calliper' } });
    const { under, state } = stand(walked(40, 104), depth);
    const { spread } = counterRequest(TROLL, under, state, SETUP);
    const unread = stand(walked(40, 104));
    expect(spread!.surface).toBeLessThan(
      counterRequest(TROLL, unread.under, unread.state, SETUP).spread!.surface,
    );
  });

  it('passes over a walk that was left out, and puts an earlier one right', () => {
    const left = stand(walked(40, 104), walked(41, 60, { left: true }));
    expect(counterRequest(TROLL, left.under, left.state, SETUP).walks).toHaveLength(1);
    const put = stand(
      walked(40, 114),
      walked(41, 104, { cause: 'earlier-mark', earlier: { walk: 0, tape: 110 * FT } }),
    );
    expect(put.state.walks[0]!.tape).toBeCloseTo(110 * FT, 9);
  });

  it('passes over what nobody can have walked', () => {
    const odd = [
      walked(40, 0),
      walked(41, 100, { tape: 1e15 }),
      walked(42, NaN),
      walked(43, 99, { step: 0 }),
    ];
    expect(stand(...odd).state.walks).toEqual([]);
    const earlier = { walk: 7, tape: 20 };
    expect(stand(walked(40, 100, { earlier })).state.walks).toHaveLength(1);
  });

  it('brings readings in metres and feet together', () => {
    const inFeet = stand(walked(40, 104));
    const inMetres = stand(walked(40, 104 * FT, { unit: 'm', step: FT }));
    expect(counterRequest(TROLL, inMetres.under, inMetres.state, SETUP).walks[0]!.reading).toBeCloseTo(
      104,
      9,
    );
    expect(counterNow(TROLL, inMetres.under, inMetres.state, SETUP)!.move.value).toBeCloseTo(
      counterNow(TROLL, inFeet.under, inFeet.state, SETUP)!.move.value,
      6,
    );
  });

  it('is counted by a device only while line is moved, never on the walk', () => {
    const device = { name: 'd', counts: 'handle-turns', per: 1 } as const;
    const at = (count: number, ...log: readonly RunEvent[]) =>
      creditCount(device, stand(...log).state, count, { gear: 5.2 }).happening;
    expect(at(500)).toBeNull();
    expect(at(500, walked(40, 104))).toBeNull();
    const moving = [walked(40, 104), event(41, { kind: 'moving', payload: { on: true } })];
    // It begins where it stands: what was wound back after the walk moved nothing.
    expect(at(500, ...moving)).toEqual({ kind: 'device-at', payload: { device: 'd', count: 500 } });
    const begun = event(42, { kind: 'device-at', payload: { device: 'd', count: 500 } });
    expect(at(507, ...moving, begun)).toMatchObject({ kind: 'turns', payload: { layer: 'main', turns: 7 } });
    const stopped = event(43, { kind: 'moving', payload: { on: false } });
    expect(at(520, ...moving, begun, stopped)).toBeNull();
  });

  it('on a reel that was wound main first, meets the main on top, as it lies after the swap', () => {
    const facts: RunFacts = { ...TROLL, mainFirst: true };
    const log = [turns(1, 120, 'main'), turns(2, 160), walked(40, 104)];
    const state = foldRun(facts, log);
    const under = runUnderWay(INPUT, facts, state)!;
    const { spool } = counterRequest(facts, under, state, SETUP);
    const main = under.wound.find(({ id }) => id === 'main')!;
    expect(topLength(spool!)).toBeCloseTo(main.length, 3);
    const off = event(41, { kind: 'metres', payload: { layer: 'main', metres: -6 } });
    const after = foldRun(facts, [...log, off]);
    const request = counterRequest(facts, runUnderWay(INPUT, facts, after)!, after, SETUP);
    expect(request.moved).toBeCloseTo(-6, 6);
  });

  it('keeps what was set up, and nothing where nobody walked', () => {
    expect(recordedMatch(TROLL, stand().under, stand().state)).toBeNull();
    const { under, state } = stand(walked(40, 104), metres(41, 30), walked(42, 100));
    const kept = recordedMatch(TROLL, under, state)!;
    expect(kept).toMatchObject({ unit: 'ft', agrees: true, tight: null });
    expect(kept.walks.map(({ reading, moved }) => [reading, Math.round(moved)])).toEqual([
      [104, 0],
      [100, 30],
    ]);
    expect(kept.reads).toBeCloseTo(100, 0);
    expect(kept.depth).toBeCloseTo(under.wound[1]!.depthAfter, 9);
    // What a turn is worth hangs together with the level: the reading at the match is surer than it.
    expect(kept.readsSd).toBeLessThan(kept.sd);
    expect(setupOf(state)).toEqual(SETUP);
  });
});

describe('what walks teach', () => {
  const lesson = (tag: string, perTurn: number, sd: number, unit: 'ft' | 'm' = 'ft') => ({
    tag,
    kind: 'trolling pier 30',
    kept: { unit, step: 1, match: 30, perTurn, sd },
  });

  it('is the reel’s own last match, and of its kind all of them, the surer the more', () => {
    const { reels, kinds } = learnCounters([
      lesson('R-1', 0.4, 0.01),
      lesson('R-1', 0.5, 0.01),
      lesson('R-2', 0.41, 0.01),
      lesson('R-3', 0.41 * FT, 0.01, 'm'),
    ]);
    expect(reels.map(({ key, counter }) => [key, counter.perTurn])).toEqual([
      ['R-1', 0.4],
      ['R-2', 0.41],
      ['R-3', 0.41 * FT],
    ]);
    const [kind] = kinds;
    expect(kind!.counter).toMatchObject({ unit: 'ft', from: 'kind' });
    expect(kind!.counter.perTurn).toBeGreaterThan(0.4);
    expect(kind!.counter.perTurn).toBeLessThan(0.41);
    expect(kind!.counter.sd).toBeLessThan(0.01);
  });
});
