import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allocate, freeOn, givenBack, NOTHING_TAKEN, type CutDemand } from './allocate';
import type { CutPiece } from './cut-piece';

const piece = (id: number, metres: number, more: Partial<CutPiece> = {}): CutPiece => ({
  id,
  kind: 'bulk',
  lengthMm: 1000 * metres,
  receivedMm: 1000 * metres,
  promisedMm: 0,
  opened: false,
  ...more,
});
const demand = (layer: string, from: CutPiece | null, metres: number): CutDemand<CutPiece> => ({
  layer,
  piece: from,
  length: { value: metres, high: metres },
  takes: null,
});

describe('what several cuts come to', () => {
  it('takes the tail of the first from what the second finds', () => {
    const only = piece(1, 200);
    const { cuts, short, taken } = allocate(
      [demand('backing', only, 99), demand('main', only, 100)],
      NOTHING_TAKEN,
      2000,
    );
    expect(cuts.map(({ on }) => [on.lengthMm, on.tailMm, on.shortMm])).toEqual([
      [99_000, 2000, 0],
      [99_000, 0, 1000],
    ]);
    expect(short?.layer).toBe('main');
    expect(taken.get(1)).toBe(200_000);
  });

  it('leaves out what has no piece yet, and what others take', () => {
    const { cuts, leftOut, short } = allocate(
      [demand('backing', null, 50), demand('main', piece(2, 300), 100)],
      new Map([[2, 150_000]]),
      2000,
    );
    expect(leftOut).toEqual(['backing']);
    expect(short).toBeNull();
    expect(cuts).toMatchObject([{ layer: 'main', on: { leftMm: 48_000 } }]);
  });

  it('gives back what a reel had before its plan is made again', () => {
    const opened = piece(3, 300, { promisedMm: 280_000, opened: true });
    const before = givenBack(NOTHING_TAKEN, [
      { pieceId: 3, lengthMm: 100_000, tailMm: 2000 },
      { pieceId: null, lengthMm: 9000, tailMm: 0 },
    ]);
    expect(freeOn(opened, before)).toBe(122_000);
    expect(allocate([demand('main', opened, 119)], before, 2000).cuts[0]?.on).toMatchObject({
      lengthMm: 119_000,
      tailMm: 2000,
      leftMm: 1000,
    });
  });

  it('never takes more than a piece has, in whatever order, and takes what it says', () => {
    const pieces = [piece(1, 150), piece(2, 80, { opened: true, promisedMm: 10_000 })];
    const some = fc.array(
      fc.record({ which: fc.nat(1), metres: fc.double({ min: 0.1, max: 120, noNaN: true }) }),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(some, fc.nat(5000), (asked, tailMm) => {
        const demands = asked.map(({ which, metres }, i) =>
          demand(`layer-${String(i)}`, pieces[which] ?? null, metres),
        );
        const { cuts, taken } = allocate(demands, NOTHING_TAKEN, tailMm);
        for (const one of pieces) {
          const of = cuts.filter((cut) => cut.piece.id === one.id);
          const sum = of.reduce((mm, { on }) => mm + on.lengthMm + on.tailMm, 0);
          expect(sum).toBe(taken.get(one.id) ?? 0);
          expect(sum).toBeLessThanOrEqual(one.lengthMm - one.promisedMm);
          expect(of.at(-1)?.on.leftMm ?? freeOn(one, taken)).toBe(freeOn(one, taken));
        }
      }),
    );
  });
});
