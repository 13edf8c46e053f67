import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { valueOf } from '../testing/examples';
import { askCounter, type CounterQuestion } from './counter-question';

const FT = 0.3048;
const ask = (more: Partial<CounterQuestion> = {}) =>
  valueOf(
    askCounter({ unit: 'ft', reading: 117, mark: 100 * FT, line: null, full: null, width: null, ...more }),
  );

describe('a counter of a reel filled elsewhere', () => {
  it('reads high: add about eight feet a unit, with a range that says how little is known', () => {
    const { how, move, measured } = ask();
    expect([how, measured]).toEqual(['add', false]);
    // About eight feet of line to the counter's foot at 100 ft, near agreement (common practice, no source).
    const { slope } = ask({ reading: 103 });
    expect(slope / FT).toBeGreaterThan(6);
    expect(slope / FT).toBeLessThan(10);
    expect(move.value / FT).toBeGreaterThan(90);
    expect(move.high - move.low).toBeGreaterThan(0.3 * move.value);
  });

  it('takes off where it reads low, and leaves what agrees', () => {
    expect(ask({ reading: 97 })).toMatchObject({ how: 'take-off' });
    expect(ask({ reading: 97 }).move.value).toBeLessThan(0);
    expect(ask({ reading: 100 }).how).toBe('agrees');
    expect(ask({ reading: 101 }).how).toBe('agrees');
  });

  it('comes to the check of the worked reel where its spool was measured', () => {
    // Arbor 10, width 25, d 0.45 at 0.75: 97 at 100 ft asks for 25.6 ft off. Here packing is not known: within its range.
    const { move, measured } = ask({ reading: 97, line: 0.45, full: 40, width: 25 });
    expect(measured).toBe(true);
    expect(-move.value / FT).toBeGreaterThan(22);
    expect(-move.value / FT).toBeLessThan(29);
    expect([-move.high / FT < 25.6, -move.low / FT > 25.6]).toEqual([true, true]);
  });

  it('is surer the more was measured, and asks for more the further it is off', () => {
    const spread = (more: Partial<CounterQuestion>): number => ask(more).move.sd;
    expect(spread({ line: 0.45, full: 40, width: 25 })).toBeLessThan(spread({ line: 0.45, full: 40 }));
    expect(spread({ line: 0.45, full: 40 })).toBeLessThan(spread({}));
    fc.assert(
      fc.property(fc.integer({ min: 102, max: 125 }), (reading) => {
        expect(ask({ reading: reading + 1 }).move.value).toBeGreaterThan(ask({ reading }).move.value);
      }),
    );
  });

  it('says what is wrong with a reading that is none', () => {
    expect(askCounter({ unit: 'ft', reading: 0, mark: 30, line: null, full: null, width: null }).ok).toBe(
      false,
    );
    expect(askCounter({ unit: 'ft', reading: 99, mark: 900, line: null, full: null, width: null }).ok).toBe(
      false,
    );
  });
});
