import type { Piece } from '@yard-spool/contract';
import { aPiece } from '../testing/pieces';
import { findPieces } from './find-pieces';
import { pieceStretches } from './piece-rule';
import { soakState, spanText } from './soak-state';

const rack: Piece[] = [
  aPiece({ code: 'N-201', place: 'Wall A', lot: 'L9' }),
  aPiece({ code: 'B-303', kind: 'pack', place: 'Drawer 4' }),
  aPiece({ code: 'N-100', writtenOff: true }),
];
const codes = (find: string, kind = ''): string[] => findPieces(rack, { find, kind }).map(({ code }) => code);

describe('finding pieces', () => {
  it('shows what is on the rack, without what was let go', () => {
    expect(codes('')).toEqual(['N-201', 'B-303']);
  });

  it('finds by every word typed, in code, line, lot or place', () => {
    expect(codes('wall')).toEqual(['N-201']);
    expect(codes('l9 n-2')).toEqual(['N-201']);
    expect(codes('smoke drawer')).toEqual(['B-303']);
    expect(codes('wall drawer')).toEqual([]);
  });

  it('finds what was let go when it is looked for, after the rest', () => {
    expect(codes('smoke')).toEqual(['N-201', 'B-303', 'N-100']);
  });

  it('keeps to one kind', () => {
    expect(codes('', 'pack')).toEqual(['B-303']);
  });
});

describe('a piece as a length rule', () => {
  it('shows free, promised and drawn, which are what came', () => {
    const stretches = pieceStretches(aPiece({ receivedMm: 500_000, lengthMm: 300_000, promisedMm: 80_000 }));
    expect(stretches.map(({ label, metres }) => [label, metres])).toEqual([
      ['free', 220],
      ['promised', 80],
      ['drawn', 200],
    ]);
  });
});

describe('a soak by the clock', () => {
  const soak = { readyAt: '2031-03-10T10:00:00.000Z', tooLongAt: '2031-03-10T12:00:00.000Z' };
  it.each([
    ['09:59', 'soaking'],
    ['10:00', 'ready'],
    ['11:59', 'ready'],
    ['12:00', 'too-long'],
  ])('at %s is %s', (time, state) => {
    expect(soakState(soak, new Date(`2031-03-10T${time}:00.000Z`))).toBe(state);
  });

  it.each([
    [0, '0 min'],
    [59 * 60_000, '59 min'],
    [60 * 60_000, '1 h'],
    [100 * 60_000, '1 h 40 min'],
    [30 * 3_600_000 + 60_000, '30 h'],
    [-5, '0 min'],
  ])('%s ms are said as %s', (span, text) => {
    expect(spanText(span)).toBe(text);
  });
});
