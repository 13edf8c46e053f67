import { describe, expect, it } from 'vitest';
import { FT, request, walk, WORKED } from '../testing/counter-examples';
import { turnsToPayOut } from '../testing/counter-shop';
import { valueOf } from '../testing/examples';
import { counterMatch } from './counter-match';
import { payOut } from './paid-out';

describe('out of reach', () => {
  it('says before the second walk that the level lies past the lip, and what main or mark would do', () => {
    const spool = { ...WORKED, lip: 20.4 };
    const limits = { least: 0.3, most: 5 };
    const { reach } = valueOf(counterMatch(request({ spool, walks: [walk(104)], limits })));
    expect(reach).toMatchObject({ past: 'lip' });
    expect(reach!.reads).toBeGreaterThan(101);
    const perTurn = 104 / payOut(spool, 100 * FT).turns;
    const [top] = spool.layers;
    const thinner = { ...spool, outer: 20.1, layers: [{ ...top!, area: top!.area * reach!.main! ** 2 }] };
    expect(reach!.main!).toBeLessThan(0.95);
    expect(perTurn * turnsToPayOut(thinner, 20.1, 100 * FT)).toBeCloseTo(100, 1);
    // The shorter mark lies in reach: it is read truly at a level below the lip's limit.
    expect(reach!.shorter!).toBeLessThan(100 * FT);
    const mark = reach!.shorter! / FT;
    expect(perTurn * turnsToPayOut(spool, 20.1, mark * FT)).toBeLessThanOrEqual(mark + 1e-6);
    // So far off that no main is thin enough.
    expect(valueOf(counterMatch(request({ spool, walks: [walk(117)], limits }))).reach).toMatchObject({
      past: 'lip',
      main: null,
    });
  });

  it('says where it lies so deep that the reel would look empty', () => {
    const { reach } = valueOf(
      counterMatch(request({ walks: [walk(97)], limits: { least: 0.3, most: 1.2 } })),
    );
    expect(reach).toMatchObject({ past: 'gap' });
    expect(reach!.main!).toBeGreaterThan(1);
  });

  it('says nothing where it can be matched', () => {
    expect(valueOf(counterMatch(request({ walks: [walk(97)] }))).reach).toBeNull();
  });
});
