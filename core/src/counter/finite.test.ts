// Whatever reel, walks and mark: a match is made of figures, or says that there is none.
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FT, request, walk } from '../testing/counter-examples';
import { counterMatch, type CounterMatch } from './counter-match';
import { counterTable } from './counter-table';

/** Where a figure stands that is none. */
function noFigures(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path} is ${String(value)}`];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, one]) => noFigures(one, `${path}.${key}`));
}

const area = (diameter: number, packing: number): number => (Math.PI * diameter ** 2) / 4 / packing;
const noneIn = (match: CounterMatch, mark: number): string[] =>
  noFigures({ match, table: counterTable(match, mark, 'ft') });

describe('a match of a counter', () => {
  it('says so where the spool is empty before the mark at the nearest level', () => {
    const spool = { width: 25, outer: 20, lip: 21.5, layers: [{ inner: 16, area: area(0.45, 0.75) }] };
    const asked = request({ spool, match: 250 * FT, walks: [walk(25, 0, 25 * FT)] });
    const found = counterMatch({ ...asked, limits: { least: 0.5, most: 6 } });
    expect(found.ok && found.value.reach).toMatchObject({ past: 'lip', reads: null });
    expect(found.ok && noneIn(found.value, 250 * FT)).toEqual([]);
  });

  it('holds no figure that is none', () => {
    const reel = fc.record({
      width: fc.double({ min: 8, max: 45, noNaN: true }),
      inner: fc.double({ min: 6, max: 22, noNaN: true }),
      wound: fc.double({ min: 0.3, max: 14, noNaN: true }),
      below: fc.double({ min: 0.2, max: 4, noNaN: true }),
      diameter: fc.double({ min: 0.15, max: 0.9, noNaN: true }),
      packing: fc.double({ min: 0.5, max: 0.95, noNaN: true }),
    });
    const walks = fc.array(
      fc.record({
        share: fc.double({ min: 0.6, max: 1.6, noNaN: true }),
        mark: fc.constantFrom(25, 50, 100),
      }),
      { maxLength: 2 },
    );
    const marks = fc.constantFrom(25, 50, 100, 200);
    let matched = 0;
    fc.assert(
      fc.property(reel, walks, marks, ({ width, inner, wound, below, diameter, packing }, seen, mark) => {
        const outer = inner + wound;
        const spool = {
          width,
          outer,
          lip: outer + below,
          layers: [{ inner, area: area(diameter, packing) }],
        };
        const found = counterMatch({
          ...request({ spool, match: mark * FT }),
          walks: seen.map((one) => walk(one.share * one.mark, 0, one.mark * FT)),
          limits: { least: 0.5, most: 6 },
        });
        if (!found.ok) return;
        matched += 1;
        expect(noneIn(found.value, mark * FT)).toEqual([]);
      }),
      { numRuns: 400, seed: 7 },
    );
    expect(matched).toBeGreaterThan(200);
  });
});
