import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { innermost, keptFromRecord, lengthOn, metresAbove, outermost, withoutTop, type Lying } from './lying';

const nylon = { key: 'N-25', material: 'nylon', diameter: 0.25 } as const;
const braid = { key: 'B-16', material: 'braid', diameter: 0.16 } as const;
const ON: readonly Lying[] = [
  { line: nylon, length: 80, innerRadius: 14, outerRadius: 18 },
  { line: braid, length: 120, innerRadius: 18, outerRadius: 22 },
];
const told = (layers: readonly Lying[]) =>
  layers.map(({ line, length }) => [line.key, Math.round(1000 * length) / 1000]);

describe('what lies on a spool', () => {
  it('loses its top first, and is nothing once all of it is gone', () => {
    expect(told(withoutTop(ON, 40))).toEqual([
      ['N-25', 80],
      ['B-16', 80],
    ]);
    expect(told(withoutTop(ON, 150))).toEqual([['N-25', 50]]);
    expect(withoutTop(ON, 200)).toEqual([]);
    expect(withoutTop(ON, 900)).toEqual([]);
    expect(withoutTop(ON, 0)).toEqual(ON);
  });

  it('comes off the other way round', () => {
    expect(told(outermost(ON, 130))).toEqual([
      ['B-16', 120],
      ['N-25', 10],
    ]);
  });

  it('is told by a depth as by a length, whatever is gone', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 199, noNaN: true }), (off) => {
        const left = withoutTop(ON, off);
        expect(lengthOn(left)).toBeCloseTo(200 - off, 2);
        expect(metresAbove(ON, left.at(-1)?.outerRadius ?? 14)).toBeCloseTo(off, 2);
        expect(lengthOn(innermost(ON, 200 - off))).toBeCloseTo(200 - off, 2);
      }),
    );
  });

  it('stays on by a length, a depth or a share, each line as what it is', () => {
    const lip = 23;
    expect(keptFromRecord(ON, { length: 100 }, lip)).toEqual([
      { kind: 'retained', id: 'kept', line: nylon, left: { length: 80 } },
      { kind: 'retained', id: 'kept-2', line: braid, left: { length: 20 } },
    ]);
    expect(keptFromRecord(ON, { length: 50 }, lip)).toEqual([
      { kind: 'retained', id: 'kept', line: nylon, left: { length: 50 } },
    ]);
    expect(keptFromRecord(ON, { depth: 3 }, lip)).toEqual([
      { kind: 'retained', id: 'kept', line: nylon, left: { length: 80 } },
      { kind: 'retained', id: 'kept-2', line: braid, left: { depth: 3 } },
    ]);
    // Half of the depth from 14 to 23 is 18.5 mm out: in the braid.
    expect(keptFromRecord(ON, { share: [0.5, 0.5] }, lip).map(({ id }) => id)).toEqual(['kept', 'kept-2']);
    expect(keptFromRecord(ON, { length: 80.5 }, lip).map(({ id }) => id)).toEqual(['kept']);
    expect(keptFromRecord(ON, { length: 500 }, lip)).toHaveLength(2);
    expect(keptFromRecord([], { length: 25 }, lip)).toEqual([]);
  });
});
