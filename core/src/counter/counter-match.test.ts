import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FT, request, walk, WORKED } from '../testing/counter-examples';
import { turnsToPayOut } from '../testing/counter-shop';
import { valueOf, said } from '../testing/examples';
import { counterMatch, type CounterRequest } from './counter-match';
import { counterTable, runsAhead } from './counter-table';
import { payOut, topLength, withMoved } from './paid-out';

describe('a counter matched to a tape', () => {
  it('reading 97 at 100 ft wants 25.6 ft off, 8.5 to the foot of counter, and 19.466 mm', () => {
    const match = valueOf(counterMatch(request({ walks: [walk(97)] })));
    expect(match.verdict).toBe('take-off');
    expect(-match.move.value / FT).toBeCloseTo(25.6, 1);
    expect(-match.move.value / FT / 3).toBeCloseTo(8.5, 1);
    expect(WORKED.lip - match.depth!.value).toBeCloseTo(19.466, 3);
  });

  it('then reads 23.9, 48.5, 100 and 215.1 at 25, 50, 100 and 200 ft, and runs 15 ahead at twice the match', () => {
    const match = valueOf(counterMatch(request({ walks: [walk(97)] })));
    const matched = valueOf(counterMatch(request({ walks: [walk(97)], moved: match.move.value })));
    const table = new Map(
      counterTable(matched, 100 * FT, 'ft').map(({ length, reading }) => [length, reading.value]),
    );
    const at = (length: number): number => [...table].find(([one]) => Math.abs(one - length) < 1e-6)![1];
    expect(at(25)).toBeCloseTo(23.9, 1);
    expect(at(50)).toBeCloseTo(48.5, 1);
    expect(at(100)).toBeCloseTo(100, 3);
    expect(at(200)).toBeCloseTo(215.1, 1);
    expect(runsAhead(matched, 100 * FT, 'ft')).toBeCloseTo(15.1, 1);
  });

  it.each([
    [50, 18.1],
    [100, 8.5],
    [200, 3.7],
  ])('at %s ft one foot of counter is worth %s ft of line', (mark, slope) => {
    const match = valueOf(counterMatch(request({ match: mark * FT, walks: [walk(mark, 0, mark * FT)] })));
    expect(match.slope / FT / 1).toBeCloseTo(slope * 1, 0);
    expect(Math.abs(match.slope / FT - slope)).toBeLessThan(0.06 * slope);
  });

  it('goes from 117 by way of 97 to 100 on one reel', () => {
    // Common practice, no source: the reading falls as line goes on, and comes back as some comes off.
    const deep = (more: Partial<CounterRequest>): CounterRequest =>
      request({ spool: { ...WORKED, lip: 40 }, limits: { least: 0, most: 25 }, ...more });
    const first = valueOf(counterMatch(deep({ walks: [walk(117)] })));
    expect(first.verdict).toBe('add');
    expect(first.move.value / FT).toBeGreaterThan(8 * 17 * 0.8);
    const tooMuch = first.move.value + 25.6 * FT;
    const second = valueOf(counterMatch(deep({ walks: [walk(117), walk(97, tooMuch)], moved: tooMuch })));
    expect(second.verdict).toBe('take-off');
    expect(-second.move.value / FT).toBeGreaterThan(18);
    expect(-second.move.value / FT).toBeLessThan(34);
    const moved = tooMuch + second.move.value;
    const third = valueOf(
      counterMatch(deep({ walks: [walk(117), walk(97, tooMuch), walk(100, moved)], moved })),
    );
    expect(third.verdict).toBe('agrees');
  });

  it('means the same whatever the counter shows and the tape is marked in', () => {
    const feet = valueOf(counterMatch(request({ walks: [walk(110)] })));
    const face = { unit: 'm', step: FT } as const;
    const metres = valueOf(counterMatch(request({ face, walks: [walk(110 * FT)] })));
    expect(metres.move.value).toBeCloseTo(feet.move.value, 6);
    expect(metres.move.sd).toBeCloseTo(feet.move.sd, 6);
    const yards = valueOf(
      counterMatch(request({ face: { unit: 'yd', step: 1 / 3 }, walks: [walk(110 / 3)] })),
    );
    expect(yards.move.value).toBeCloseTo(feet.move.value, 6);
  });

  it('takes the layer below into account where the mark lies past the join', () => {
    const spool = {
      ...WORKED,
      layers: [
        { inner: 19, area: 0.2 },
        { inner: 10, area: 0.5 },
      ],
    };
    const match = valueOf(counterMatch(request({ spool, walks: [walk(97)] })));
    expect(match.joinAt).toBeCloseTo(topLength(spool), 1);
    const moved = valueOf(counterMatch(request({ spool, walks: [walk(97)], moved: match.move.value })));
    const perTurn = Math.exp(moved.fit.vector[0]);
    const outer = moved.spool.outer;
    expect(perTurn * turnsToPayOut(spool, outer, 100 * FT)).toBeCloseTo(100, 1);
  });

  it('without geometry goes by the usual slope of eight to one at 100 ft, and says so', () => {
    const match = valueOf(counterMatch(request({ spool: null, walks: [walk(106)] })));
    expect(match.assumed).toBe(true);
    expect(match.move.value / FT / 6).toBeGreaterThan(7);
    expect(match.move.value / FT / 6).toBeLessThan(10);
    const half = valueOf(
      counterMatch(request({ spool: null, match: 50 * FT, walks: [walk(53, 0, 50 * FT)] })),
    );
    expect(half.move.value / FT / 3).toBeGreaterThan(1.6 * (match.move.value / FT / 6));
  });

  it('without geometry learns the slope of this reel from its own two walks', () => {
    // A narrow reel of thick line: five feet of line to one on the counter, not eight and a half.
    const reel = { ...WORKED, width: 14, outer: 19, layers: [{ inner: 8, area: 0.21 }] };
    const perTurn = 110 / payOut(reel, 100 * FT).turns;
    const face = { unit: 'ft', step: 0.1 } as const;
    const read = (moved: number): number => perTurn * payOut(withMoved(reel, moved), 100 * FT).turns;
    const walks = [walk(read(0))];
    const first = valueOf(counterMatch(request({ face, spool: null, walks })));
    const moved = first.move.value;
    walks.push(walk(read(moved), moved));
    const second = valueOf(counterMatch(request({ face, spool: null, walks, moved })));
    const missed = Math.abs(read(moved) - 100);
    expect(missed).toBeGreaterThan(2);
    expect(Math.abs(read(moved + second.move.value) - 100)).toBeLessThan(0.2 * missed);
  });

  it('aims a reel of a kind met before without a walk', () => {
    const perTurn = 100 / payOut({ ...WORKED, outer: 19.3 }, 100 * FT).turns;
    const belief = { perTurn, sd: 0.003, from: 'kind' } as const;
    const match = valueOf(counterMatch(request({ belief })));
    expect(match.verdict).toBe('walk');
    expect(WORKED.lip - match.depth!.value).toBeCloseTo(19.3, 6);
    expect(match.move.sd).toBeGreaterThan(0);
  });

  it('is surer of the level the surer the spool is', () => {
    const sd = (surface: number): number =>
      valueOf(counterMatch(request({ spread: { surface, ratio: 0.05 }, walks: [walk(106)] }))).move.sd;
    expect(sd(0.05)).toBeLessThan(sd(0.5));
  });

  it.each<[string, Partial<CounterRequest>, RegExp]>([
    ['a reading of nothing', { walks: [walk(0)] }, /reading/],
    ['a mark no field has', { walks: [walk(100, 0, 900)] }, /mark/],
    ['a match at nothing', { match: 0 }, /matched at/],
    ['no line on the spool', { spool: { ...WORKED, outer: 10 } }, /no line/],
    ['a step of nothing', { face: { unit: 'ft', step: 0 } }, /steps/],
    ['a move that is no number', { moved: NaN }, /moved/],
  ])('refuses %s with a sentence', (_, more, sentence) => {
    const result = counterMatch(request(more));
    expect(result.ok).toBe(false);
    expect(said(result.issues[0]!.sentence)).toMatch(sentence);
  });

  it('reads high: add; reads low: take off; and comes to agree, on any reel', () => {
    const spools = fc.record({
      arbor: fc.double({ min: 6, max: 16, noNaN: true }),
      fill: fc.double({ min: 5, max: 15, noNaN: true }),
      width: fc.double({ min: 10, max: 50, noNaN: true }),
      area: fc.double({ min: 0.08, max: 0.5, noNaN: true }),
      off: fc.double({ min: 0.9, max: 1.12, noNaN: true }),
    });
    fc.assert(
      fc.property(spools, ({ arbor, fill, width, area, off }) => {
        const spool = { width, outer: arbor + fill, lip: arbor + fill + 1, layers: [{ inner: arbor, area }] };
        fc.pre(payOut(spool, 31).length >= 31);
        const perTurn = (100 * off) / payOut(spool, 100 * FT).turns;
        const face = { unit: 'ft', step: 0.01 } as const;
        const match = valueOf(
          counterMatch(
            request({ face, spool, walks: [walk(100 * off)], limits: { least: -100, most: 100 } }),
          ),
        );
        if (match.depth === null) return;
        if (Math.abs(off - 1) > 0.02) expect(match.verdict).toBe(off > 1 ? 'add' : 'take-off');
        const outer = spool.lip - match.depth.value;
        const after = perTurn * turnsToPayOut(spool, outer, 100 * FT);
        expect(Math.abs(after - 100)).toBeLessThan(0.2);
      }),
      { numRuns: 200 },
    );
  });
});
