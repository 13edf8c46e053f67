import { aPiece } from '../testing/pieces';
import { pieceStretches } from './piece-rule';
import { soakState } from './soak-state';

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
});
