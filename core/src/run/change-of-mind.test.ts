import { describe, expect, it } from 'vitest';
import { knownSpool } from '../spool/estimate';
import { WORKED_REQUEST, WORKED_SPOOL } from '../testing/examples';
import { USUAL_HOUSE_RULES } from '../house-rules/house-rules';
import type { RunFacts } from '../steps/run-facts';
import { woundSoFar } from '../plan/wound';
import { factsNow } from './facts-now';
import { foldRun } from './fold-run';
import { pieceStretches } from './piece-shares';
import type { RunEvent, RunHappening } from './run-event';
import { stillMissing } from '../steps/step-at';
import { runSteps } from './run-steps';
import { requestUnderWay } from './under-way';

const FACTS: RunFacts = {
  request: WORKED_REQUEST,
  type: 'fixed-spool',
  rules: USUAL_HOUSE_RULES,
  mainFirst: false,
  leader: false,
};
const log = (...happenings: RunHappening[]): RunEvent[] =>
  happenings.map((happening, i) => ({
    ...happening,
    id: `e${String(i)}`,
    run: '1',
    seq: i + 1,
    at: '2030-01-01T10:00:00Z',
    by: 'Ada',
  }));
const turns = (count: number): RunHappening => ({ kind: 'turns', payload: { layer: 'main', turns: count } });
const changed = (pieceId: number, usedUp = false): RunHappening => ({
  kind: 'piece-changed',
  payload: { layer: 'main', pieceId, code: `P-${String(pieceId)}`, usedUp },
});
const spool = knownSpool(WORKED_SPOOL);
const stretchesOf = (...happenings: RunHappening[]) => {
  const state = foldRun(FACTS, log(...happenings));
  const main = woundSoFar(spool, WORKED_REQUEST, state.wound).find(({ id }) => id === 'main')!;
  return {
    stretches: pieceStretches(
      { spool, request: WORKED_REQUEST, askedAfter: () => WORKED_REQUEST },
      state,
      main,
    ),
    main,
  };
};

describe('another piece in mid-run', () => {
  it('one piece is one stretch', () => {
    const { stretches, main } = stretchesOf(turns(100));
    expect(stretches).toEqual([
      {
        pieceId: null,
        usedUp: false,
        share: 1,
        innerRadius: main.innerRadius,
        outerRadius: main.outerRadius,
      },
    ]);
  });

  it('that was mounted all along makes no join, and takes the place of the one thought to be there', () => {
    const all = (pieceId: number): RunHappening => ({
      kind: 'piece-changed',
      payload: { layer: 'main', pieceId, code: `P-${String(pieceId)}`, usedUp: false, allAlong: true },
    });
    const ids = (...happenings: RunHappening[]) =>
      stretchesOf(...happenings).stretches.map(({ pieceId, usedUp }) => [pieceId, usedUp]);
    expect(ids(turns(60), all(2), turns(60))).toEqual([[2, false]]);
    expect(ids(turns(60), changed(2, true), turns(60), all(3))).toEqual([
      [null, true],
      [3, false],
    ]);
    const back = { kind: 'restarted', payload: { layer: 'main', why: 'other' } } as const;
    expect(ids(turns(60), changed(2, true), turns(60), back, all(3), turns(90))).toEqual([[3, false]]);
  });

  it('of another line changes what is wound, its steps and its plan', () => {
    const line = { key: 'B-16', material: 'braid', diameter: 0.16 } as const;
    const payload = { layer: 'main', pieceId: 9, code: 'P-9', usedUp: false, allAlong: true, line };
    const state = foldRun(FACTS, log(turns(60), { kind: 'piece-changed', payload }));
    const now = factsNow(FACTS, state);
    expect(now.request.layers.at(-1)).toMatchObject({ id: 'main', line });
    expect(state.steps.some(({ kind }) => kind === 'memory')).toBe(false);
    expect(foldRun(FACTS, log(turns(60))).steps.some(({ kind }) => kind === 'memory')).toBe(true);
    expect(factsNow(FACTS, foldRun(FACTS, log(turns(60))))).toBe(FACTS);
  });

  it('shares add up to one, stretch lies on stretch, and equal turns bring in more further out', () => {
    const { stretches, main } = stretchesOf(turns(60), changed(2, true), turns(60), changed(3), turns(60));
    expect(stretches.map(({ pieceId, usedUp }) => [pieceId, usedUp])).toEqual([
      [null, true],
      [2, false],
      [3, false],
    ]);
    expect(stretches.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
    const [first, second, third] = stretches.map(({ share }) => share);
    expect(first!).toBeLessThan(second!);
    expect(second!).toBeLessThan(third!);
    expect(stretches[1]!.innerRadius).toBe(stretches[0]!.outerRadius);
    expect(stretches[2]!.outerRadius).toBe(main.outerRadius);
  });

  it('stripped back, all of it comes off the piece that is mounted then', () => {
    const { stretches } = stretchesOf(
      turns(60),
      { kind: 'restarted', payload: { layer: 'main', why: 'other' } },
      changed(2),
      turns(80),
    );
    expect(stretches.map(({ share }) => share)).toEqual([1]);
    const before = stretchesOf(
      turns(60),
      changed(2, true),
      { kind: 'restarted', payload: { layer: 'main', why: 'slipped' } },
      turns(80),
    );
    expect(before.stretches.map(({ share, usedUp }) => [share, usedUp])).toEqual([[1, false]]);
  });

  it('wound back to before the change, the second piece gives nothing', () => {
    const { stretches } = stretchesOf(turns(60), changed(2), turns(-20));
    expect(stretches.map(({ share }) => share)).toEqual([1]);
  });
});

describe('put aside, given up, another length', () => {
  it('is aside until anybody does something', () => {
    const aside: RunHappening = { kind: 'put-aside', payload: { why: 'wet' } };
    expect(foldRun(FACTS, log(turns(5), aside)).aside).toBe(true);
    expect(foldRun(FACTS, log(turns(5), aside, turns(5))).aside).toBe(false);
    expect(foldRun(FACTS, log(aside)).undoable).toBeNull();
  });

  it('is given up for good', () => {
    const gone: RunHappening = { kind: 'given-up', payload: { why: 'sold', line: 'back' } };
    expect(foldRun(FACTS, log(turns(5), gone)).givenUp).toBe(true);
  });

  it('another length is what is wound to', () => {
    const state = foldRun(
      FACTS,
      log({ kind: 'chosen', payload: { layer: 'main', how: 'another-length', length: 80 } }),
    );
    expect(requestUnderWay(FACTS, state).layers[1]).toMatchObject({ id: 'main', length: 80 });
  });
});

describe('steps of old line that stays on, and of line turned end for end', () => {
  const line = { key: 'old line', material: 'nylon', diameter: 0.3 } as const;
  const kept = { kind: 'retained', id: 'kept', left: { length: 25 }, line } as const;
  const kinds = (facts: RunFacts): string[] => runSteps(facts).map(({ id }) => id);

  it('strips down, joins to it, and ties nothing to the arbor', () => {
    const facts = { ...FACTS, request: { ...WORKED_REQUEST, layers: [kept, ...WORKED_REQUEST.layers] } };
    expect(kinds(facts)).toContain('join-backing');
    expect(kinds(facts)).not.toContain('tie-on');
    expect(kinds(FACTS)).toContain('tie-on');
    expect(kinds(FACTS)).not.toContain('join-backing');
  });

  it('turned end for end, nothing is stripped', () => {
    expect(kinds({ ...FACTS, turned: true })).not.toContain('strip');
  });

  it('tape has its step whatever lies on it', () => {
    const tape = { kind: 'tape', id: 'tape', thickness: 0.15, wraps: 2 } as const;
    const facts = { ...FACTS, request: { ...WORKED_REQUEST, layers: [tape, ...WORKED_REQUEST.layers] } };
    expect(kinds(facts)).toContain('grip');
    expect(kinds(FACTS)).not.toContain('grip');
  });

  it('warm water is not offered for trolling and big game', () => {
    const rules = { ...USUAL_HOUSE_RULES, memoryRelief: 'warm-water' } as const;
    const has = (type: RunFacts['type']) => kinds({ ...FACTS, rules, type }).includes('memory');
    expect([has('fixed-spool'), has('trolling'), has('big-game')]).toEqual([true, false, false]);
  });
});

describe('what is stripped', () => {
  const missing = (values: Record<string, string | number>) =>
    stillMissing({ id: 'strip', kind: 'strip' }, values);

  it('is told where it goes and what that needs, while the line is in the hand', () => {
    expect(missing({})).toBe('');
    expect(missing({ to: 'rack', line: 'SN-25' })).toMatch(/which line it is and how much/);
    expect(missing({ to: 'rack', line: 'SN-25', metres: 60 })).toBe('');
    expect(missing({ to: 'bin' })).toMatch(/which bin/);
    expect(missing({ to: 'bin', material: 'braid' })).toBe('');
  });
});
