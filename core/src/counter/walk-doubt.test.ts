import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { counterMatch } from './counter-match';
import type { Walk } from './counter-fit';
import { reelToTouch, setTable } from './counter-set';
import { payOut, withMoved, type CounterSpool } from './paid-out';
import { walkDoubts, type WalkDoubt } from './walk-doubt';

const FT = 0.3048;
const SPOOL: CounterSpool = { width: 25, outer: 20, lip: 21, layers: [{ inner: 10, area: 0.212 }] };
const FACE = { unit: 'ft', step: 1 } as const;
const SPREAD = { surface: 0.15, ratio: 0.03 };
/** The counter reads 108 at 100 ft. */
const PER_TURN = 108 / payOut(SPOOL, 100 * FT).turns;
const truly = (moved: number, tape = 100): number =>
  Math.round(PER_TURN * payOut(withMoved(SPOOL, moved), tape * FT).turns);
const walk = (reading: number, moved: number, tape = 100): Walk => ({
  tape: tape * FT,
  reading,
  moved,
  over: 'field',
});

function doubted(next: Walk, walks: readonly Walk[] = [walk(truly(0), 0)]): WalkDoubt[] {
  const match = valueOf(
    counterMatch({ face: FACE, match: 100 * FT, spool: SPOOL, spread: SPREAD, walks, moved: next.moved }),
  );
  const expected = {
    spool: SPOOL,
    fit: match.fit,
    face: FACE,
    walks,
    tapeUnit: 'ft',
    joinAt: match.joinAt,
  } as const;
  return walkDoubts(next, expected);
}
const causes = (next: Walk, walks?: readonly Walk[]) => doubted(next, walks).map(({ cause }) => cause);
const MOVED = 18;

describe('a walk', () => {
  it('that reads as it should is not asked about', () => {
    expect(doubted(walk(truly(MOVED), MOVED))).toEqual([]);
    expect(doubted(walk(truly(0), 0), [])).toEqual([]);
  });

  it('of a counter in metres is noticed at the first reading', () => {
    const [first] = doubted(walk(31, 0), []);
    expect(first).toMatchObject({ cause: 'other-unit', question: expect.stringContaining('metres') });
    expect(first!.ifYes!.reading).toBeCloseTo(31 / FT, 6);
  });

  it('after which no line was moved', () => {
    const [first] = doubted(walk(truly(0), MOVED));
    expect(first).toMatchObject({ cause: 'not-moved', ifYes: { moved: 0 } });
  });

  it('after which it was moved the wrong way', () => {
    const [first] = doubted(walk(truly(-MOVED), MOVED));
    expect(first).toMatchObject({ cause: 'wrong-way', ifYes: { moved: -MOVED } });
    expect(first!.question).toContain('taken off instead');
  });

  it('at another mark', () => {
    const asked = doubted(walk(truly(MOVED, 90), MOVED));
    const mark = asked.find(({ cause }) => cause === 'other-mark')!;
    expect(mark.ifYes!.tape).toBeCloseTo(90 * FT, 6);
    expect(mark.question).toContain('90 ft mark');
  });

  it('that shows that the one before was at another mark', () => {
    const before = walk(truly(0, 110), 0);
    const asked = doubted(walk(truly(MOVED), MOVED), [before]);
    const earlier = asked.find(({ cause }) => cause === 'earlier-mark')!;
    expect(earlier.earlier!.tape).toBeCloseTo(110 * FT, 6);
  });

  it('begun with the counter not at zero', () => {
    expect(causes(walk(truly(MOVED) + 13, MOVED))).toContain('not-zeroed');
    expect(causes(walk(truly(MOVED) - 13, MOVED))).not.toContain('not-zeroed');
  });

  it('pulled harder or softer', () => {
    const asked = doubted(walk(truly(MOVED) - 4, MOVED));
    expect(asked.at(-1)).toMatchObject({ cause: 'tension', ifYes: null });
    expect(asked.at(-1)!.question).toContain('harder or softer');
  });

  it('past the join', () => {
    const spool = {
      ...SPOOL,
      layers: [
        { inner: 19, area: 0.212 },
        { inner: 10, area: 0.9 },
      ],
    };
    const match = valueOf(
      counterMatch({ face: FACE, match: 100 * FT, spool, spread: SPREAD, walks: [walk(108, 0)], moved: 5 }),
    );
    expect(match.joinAt).not.toBeNull();
    const expected = { spool, fit: match.fit, face: FACE, walks: [walk(108, 0)], tapeUnit: 'ft' } as const;
    const asked = walkDoubts(walk(90, 5), { ...expected, joinAt: match.joinAt });
    expect(asked.map(({ cause }) => cause)).toContain('join');
  });
});

describe('a set of reels', () => {
  const reel = (name: string, reading: number) => ({
    name,
    match: valueOf(
      counterMatch({
        face: FACE,
        match: 100 * FT,
        spool: SPOOL,
        spread: SPREAD,
        walks: [walk(reading, 0)],
        moved: 0,
      }),
    ),
  });

  it('names the reel that reads farthest from the others, and what to do to it', () => {
    const touch = reelToTouch([reel('left', 100), reel('right', 100), reel('centre', 102)])!;
    expect(touch.name).toBe('centre');
    expect(touch.move).toBeGreaterThan(3);
    expect(reelToTouch([reel('left', 100), reel('right', 100)])).toBeNull();
    expect(reelToTouch([reel('left', 109)])).toBeNull();
    // Of two, the one off the tape is touched, not the one that is right.
    expect(reelToTouch([reel('left', 101), reel('right', 92)])!.name).toBe('right');
    expect(reelToTouch([reel('left', 100), reel('right', 140)])).toEqual({ name: 'right', move: null });
  });

  it('stands side by side at each length with its spread, whatever unit each shows', () => {
    const one = { perTurn: PER_TURN, spool: SPOOL };
    const reels = [
      { name: 'a', counter: one, unit: 'ft' },
      { name: 'b', counter: { ...one, perTurn: PER_TURN * FT }, unit: 'm' },
      { name: 'c', counter: { ...one, perTurn: PER_TURN * 1.02 }, unit: 'ft' },
    ] as const;
    const [row] = setTable(reels, [100 * FT]);
    expect(row!.readings[0]).toBeCloseTo(108, 6);
    expect(row!.readings[1]).toBeCloseTo(108 * FT, 6);
    expect(row!.spread).toBeCloseTo(0.02 * 108 * FT, 6);
  });
});
