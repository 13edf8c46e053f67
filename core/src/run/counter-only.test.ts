import { describe, expect, it } from 'vitest';
import { tellFill } from '../record/tell-fill';
import { evidenceOfRun } from '../settle/evidence-of-run';
import { settleFill } from '../settle/settle-fill';
import { valueOf } from '../testing/examples';
import { done, event, FACTS, FT, walked } from '../testing/runs';
import type { RunFacts } from '../steps/run-facts';
import { counterNow } from './counter-now';
import { foldRun } from './fold-run';
import { gapRemedy } from './gap-remedy';
import { pieceStretches } from './piece-shares';
import type { RunEvent } from './run-event';
import { runSteps } from './run-steps';
import { runUnderWay } from './under-way';

const OLD = { key: 'nylon 0.40', material: 'nylon', diameter: 0.4 } as const;
const ON_IT: RunFacts = {
  ...FACTS,
  type: 'trolling',
  counterOnly: true,
  request: {
    gear: 4,
    gap: 3,
    layers: [{ kind: 'line', id: 'main', role: 'main', line: OLD, length: 'fits' }],
  },
};
const MEASURED = [
  { kind: 'lip', diameter: 60 },
  { kind: 'width', width: 30 },
  { kind: 'arbor', diameter: 26 },
] as const;
const SETUP = { unit: 'ft', step: 1, match: 100 * FT } as const;

const input = (observations: readonly (typeof MEASURED)[number][]) => ({
  observations,
  request: ON_IT.request,
  beliefs: { type: 'trolling' } as const,
});
const stand = (
  log: readonly RunEvent[],
  observations: readonly (typeof MEASURED)[number][] = MEASURED,
  facts = ON_IT,
) => {
  const state = foldRun(facts, log);
  return { state, under: runUnderWay(input(observations), facts, state)! };
};
const metres = (seq: number, length: number): RunEvent =>
  event(seq, { kind: 'metres', payload: { layer: 'main', metres: length } });
const gap = (seq: number, depth: number): RunEvent =>
  event(seq, { kind: 'depth-read', payload: { after: 'gap', depth, by: 'calliper' } });
const ended = (log: readonly RunEvent[]) =>
  valueOf(settleFill(evidenceOfRun(input(MEASURED), ON_IT, foldRun(ON_IT, log), {})));

describe('a reel filled elsewhere, of which only the counter is matched', () => {
  it('has nothing wound: its gap is read, its counter walked, and it is handed back', () => {
    expect(runSteps(ON_IT).map(({ id }) => id)).toEqual([
      'gap',
      'counter',
      'clip',
      'drag-reading',
      'drag',
      'tag',
    ]);
    expect(runSteps(ON_IT).find(({ id }) => id === 'counter')).toMatchObject({ layer: 'main' });
    expect(runSteps({ ...ON_IT, leader: true }).some(({ id }) => id === 'leader')).toBe(true);
  });

  it('lies there before anything happens, up to its gap as it is read', () => {
    const before = stand([]).under.wound[0]!;
    expect(before.depthAfter).toBeCloseTo(3, 6);
    expect(before.length).toBeGreaterThan(50);
    const read = stand([gap(1, 5)]);
    expect(read.under.wound[0]!.depthAfter).toBeCloseTo(5, 6);
    // The level is the counter's to say, not the house's.
    expect(gapRemedy(ON_IT, read.under, read.state)).toBeNull();
  });

  it('reads 117, then 97, then 100: line goes on, some comes off again, and it agrees', () => {
    const log: RunEvent[] = [gap(1, 8), ...done(2, 'gap'), walked(4, 117)];
    const first = stand(log);
    const add = counterNow(ON_IT, first.under, first.state, SETUP)!;
    expect(add.verdict).toBe('add');
    expect(add.move.low).toBeGreaterThan(0);
    log.push(metres(5, add.move.value), walked(6, 97));
    const second = stand(log);
    expect(second.under.wound[0]!.length - first.under.wound[0]!.length).toBeCloseTo(add.move.value, 4);
    const off = counterNow(ON_IT, second.under, second.state, SETUP)!;
    expect(off.verdict).toBe('take-off');
    expect(-off.move.value).toBeLessThan(add.move.value);
    log.push(metres(7, off.move.value), walked(8, 100));
    const third = stand(log);
    expect(counterNow(ON_IT, third.under, third.state, SETUP)!.verdict).toBe('agrees');
    const settled = ended(log);
    expect(settled.question).toBeNull();
    const on = settled.layers[0]!.length;
    expect(on.low).toBeLessThan(third.under.wound[0]!.length);
    expect(on.high).toBeGreaterThan(third.under.wound[0]!.length);
  });

  it('may lose line from the first walk on, and never has less than none', () => {
    const log = [gap(1, 4), walked(2, 90), metres(3, -12)];
    const before = stand(log.slice(0, 2)).under.wound[0]!;
    const after = stand(log).under.wound[0]!;
    expect(before.length - after.length).toBeCloseTo(12, 3);
    expect(after.depthAfter).toBeGreaterThan(before.depthAfter);
    expect(stand([gap(1, 4), metres(2, -5000)]).under.wound[0]!.length).toBeGreaterThanOrEqual(0);
  });

  it('settles also where as much goes on as lay there, or all of it comes off', () => {
    const lay = stand([gap(1, 4)]).under.wound[0]!.length;
    for (const moved of [lay, 2 * lay, -0.9 * lay, -lay]) {
      const settled = ended([metres(1, moved)]).layers[0]!.length;
      const truth = Math.max(0, stand([metres(1, moved)]).under.wound[0]!.length);
      expect(settled.low).toBeLessThanOrEqual(truth + 1);
      expect(settled.high).toBeGreaterThanOrEqual(truth - 1);
    }
    // More off than lay there is a miscount, and said to be one.
    const log = [metres(1, -2 * lay)];
    expect(settleFill(evidenceOfRun(input(MEASURED), ON_IT, foldRun(ON_IT, log), {})).ok).toBe(false);
  });

  it('stays what it was where the count is set or begun again', () => {
    const on = stand([gap(1, 4)]).under.wound[0]!.length;
    const again = event(2, { kind: 'restarted', payload: { layer: 'main', why: 'supply-turned' } });
    expect(stand([gap(1, 4), again]).under.wound[0]!.length).toBeCloseTo(on, 3);
  });

  it('says less where nothing was measured, and nothing of room', () => {
    const log = [walked(1, 117)];
    const bare = stand(log, []);
    const measured = stand(log);
    const width = ({ low, high, value }: { low: number; high: number; value: number }): number =>
      (high - low) / value;
    const match = counterNow(ON_IT, bare.under, bare.state, SETUP)!;
    expect(match.assumed).toBe(true);
    expect(match.verdict).toBe('add');
    expect(match.reach).toBeNull();
    expect(width(match.move)).toBeGreaterThan(
      width(counterNow(ON_IT, measured.under, measured.state, SETUP)!.move),
    );
  });

  it('draws what goes on off its piece, and nothing of what lay there', () => {
    const taken = event(2, {
      kind: 'piece-changed',
      payload: { layer: 'main', pieceId: 7, code: 'N-7', usedUp: false },
    });
    const { state, under } = stand([gap(1, 4), taken, metres(3, 18)]);
    const lay = under.wound[0]!;
    const [old, added] = pieceStretches(under, state, lay);
    expect(old).toMatchObject({ pieceId: null });
    expect(added).toMatchObject({ pieceId: 7 });
    expect(added!.share * lay.length).toBeCloseTo(18, 3);
    // However much was settled to lie there in all: what was told to go on is what came off the piece.
    const more = { ...lay, length: lay.length + 7 };
    expect(pieceStretches(under, state, more)[1]!.share * more.length).toBeCloseTo(18, 3);
  });

  it('is told as line that was on it', () => {
    const log = [gap(1, 4), walked(2, 117), metres(3, 18)];
    const told = tellFill(ON_IT, foldRun(ON_IT, log), log);
    expect(JSON.stringify(told)).toContain('on it when it came');
    expect(JSON.stringify(told)).not.toContain('by eye');
  });
});
