import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ranged } from '../numeric/ranged';
import { said as metric, valueOf, WORKED_READINGS, WORKED_REQUEST } from '../testing/examples';
import { judgeGap, levelRange, levelWords, markWords } from './judge-gap';
import { makePlan } from './make-plan';

const codes = (gap: number, house: number | undefined, wet: { low: number; high: number } | null = null) =>
  judgeGap(
    { gap: ranged(gap, 0.5), wetGap: wet },
    { layers: [], gear: 5, ...(house === undefined ? {} : { house }) },
  ).map(({ code }) => code);

describe('the gap a plan comes out at', () => {
  it('is judged by the house where every layer has its amount, and not where it was asked for', () => {
    expect(codes(2.4, 2.4)).toEqual([]);
    expect(codes(0.4, 2.4)).toEqual(['fuller-than-rule']);
    expect(codes(0.02, 2.4)).toEqual(['fuller-than-rule']);
    // What stands proud has its own, stronger word.
    expect(codes(-7.3, 2.4)).toEqual([]);
    expect(codes(6, 2.4)).toEqual(['lower-than-rule']);
    expect(codes(6, undefined)).toEqual([]);
    expect(
      judgeGap({ gap: ranged(6, 0.5), wetGap: null }, { layers: [], gear: 5, gap: 6, house: 2.4 }),
    ).toEqual([]);
  });

  it('says where it stands in words that have no minus in them', () => {
    const [off] = judgeGap({ gap: ranged(0.4, 0.5), wetGap: null }, { layers: [], gear: 5, house: 2.4 });
    expect(metric(off!.sentence)).toBe(
      'It comes out 0.4 mm below the lip, likely 0.2 mm proud of the lip to 1.0 mm below the lip; the shop leaves 2.4 mm.',
    );
    const small = (mm: number): string => `${mm.toFixed(1)} mm`;
    expect([2.4, 0, -0.01, -2.5].map((depth) => markWords(depth, 'stop', small))).toEqual([
      '2.4 mm stop',
      '0.0 mm stop',
      '0.0 mm stop',
      '2.5 mm proud',
    ]);
    expect(metric(levelRange(ranged(-7.3, 1)))).toMatch(/^6\.0 to 8\.\d mm proud of the lip$/);
    expect(levelWords(0.01, small)).toBe('flush with the lip');
    fc.assert(
      fc.property(
        fc.double({ min: -20, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 9, noNaN: true }),
        (depth, sd) => {
          for (const words of [levelWords(depth, small), metric(levelRange(ranged(depth, sd)))]) {
            expect(words).not.toMatch(/-\d/);
            expect(words).toMatch(/(below|flush with|proud of) the lip$/);
          }
        },
      ),
    );
  });

  it('warns of line that swells past the lip, which was below it on the bench', () => {
    expect(codes(0.3, undefined, { low: -0.4, high: 0.1 })).toEqual(['proud-once-wet']);
    expect(codes(0.3, undefined, { low: 0.1, high: 0.2 })).toEqual([]);
    // What stands proud dry is said already.
    expect(codes(-0.3, undefined, { low: -0.9, high: -0.5 })).toEqual([]);
  });

  it('goes with the plan of any build', () => {
    const [backing, main] = WORKED_REQUEST.layers;
    const asked = (metres: number) => ({
      layers: [
        { ...backing!, length: 80 } as typeof main & object,
        { ...main!, length: metres } as typeof main & object,
      ],
      gear: 5.2,
      house: 1.5,
    });
    const said = (metres: number) =>
      valueOf(makePlan({ observations: WORKED_READINGS, request: asked(metres) })).plan.issues.map(
        ({ code }) => code,
      );
    expect(said(20)).toContain('lower-than-rule');
    expect(said(400)).toEqual(expect.arrayContaining(['negative-gap']));
  });
});
