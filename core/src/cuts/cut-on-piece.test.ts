import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutOnPiece } from './cut-on-piece';
import { booksOff, isSealed } from './cut-piece';

const sealed = { kind: 'pack', lengthMm: 200_000, receivedMm: 200_000, opened: false } as const;
const opened = { ...sealed, opened: true } as const;
const exactly = (metres: number) => ({ value: metres, high: metres });

describe('a length on a piece', () => {
  it('loses a tail where line is left, and none where all is taken or it is shared out', () => {
    const on = (metres: number, takes?: { pack: number }) =>
      cutOnPiece(sealed, exactly(metres), { freeMm: 200_000, tailMm: 2000, ...(takes ? { takes } : {}) });
    expect(on(100)).toMatchObject({ lengthMm: 100_000, tailMm: 2000, leftMm: 98_000, tooShort: false });
    expect(on(200)).toMatchObject({ lengthMm: 200_000, tailMm: 0, leftMm: 0, tooShort: false });
    expect(on(199)).toMatchObject({ tailMm: 1000, leftMm: 0 });
    expect(on(100, { pack: 0.5 })).toMatchObject({ tailMm: 0, leftMm: 100_000 });
  });

  it('is too short where more lacks than is not known, of the spool or of an opened piece', () => {
    const on = (piece: typeof sealed | typeof opened, value: number, high: number) =>
      cutOnPiece(piece, { value, high }, { freeMm: 200_000, tailMm: 2000 });
    expect(on(sealed, 203, 203)).toMatchObject({ shortMm: 3000, tooShort: true });
    expect(on(sealed, 203, 221)).toMatchObject({ lengthMm: 200_000, shortMm: 3000, tooShort: false });
    expect(on(opened, 203, 203).tooShort).toBe(false);
    expect(on(opened, 210, 210).tooShort).toBe(true);
  });

  it('is too short where nothing is free, whatever is not known', () => {
    expect(cutOnPiece(opened, { value: 3, high: 90 }, { freeMm: 0, tailMm: 2000 }).tooShort).toBe(true);
    expect(cutOnPiece(opened, { value: 3, high: 90 }, { freeMm: -5, tailMm: 2000 }).tooShort).toBe(true);
  });

  it('never promises more than is free, and loses nothing', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 100, noNaN: true }),
        fc.integer({ min: -10_000, max: 600_000 }),
        fc.integer({ min: 0, max: 20_000 }),
        fc.boolean(),
        (value, doubt, freeMm, tailMm, shared) => {
          const takes = shared ? ('rest' as const) : null;
          const on = cutOnPiece(opened, { value, high: value + doubt }, { freeMm, tailMm, takes });
          const free = Math.max(0, freeMm);
          expect(on.lengthMm + on.tailMm + on.leftMm).toBe(free);
          expect(Math.min(on.lengthMm, on.tailMm, on.leftMm, on.shortMm)).toBeGreaterThanOrEqual(0);
          expect(on.lengthMm + on.shortMm).toBe(Math.round(1000 * value));
        },
      ),
    );
  });
});

describe('a piece', () => {
  it('is sealed as its maker closed it', () => {
    expect(isSealed(sealed)).toBe(true);
    expect(isSealed(opened)).toBe(false);
    expect(isSealed({ ...sealed, lengthMm: 199_000 })).toBe(false);
    expect(isSealed({ ...sealed, kind: 'salvage' })).toBe(false);
  });

  it('has books that are off by some metres, stripped line by more', () => {
    expect(booksOff(opened)).toBeCloseTo(5, 9);
    expect(booksOff({ ...opened, kind: 'salvage' })).toBeCloseTo(11, 9);
  });
});
