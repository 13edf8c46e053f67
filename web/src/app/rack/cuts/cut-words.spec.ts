import { cutsPlan, layerOfPlan, pieceOfPlan } from '../../testing/cuts';
import { isElsewhere, isMoved, linesOf, pieceName, piecesNow, piecesPlanned } from './cut-words';

describe('a layer of a plan', () => {
  it('is moved where it is off another piece, gives something up, or has a piece and had none', () => {
    expect(isMoved(layerOfPlan(1))).toBe(false);
    expect(isMoved(layerOfPlan(1, { planned: 'L-2' }))).toBe(true);
    expect(isMoved(layerOfPlan(1, { givenMm: 110_000 }))).toBe(true);
    expect(isMoved(layerOfPlan(1, { now: null }))).toBe(true);
    expect(isMoved(layerOfPlan(1, { planned: null, givenMm: 0 }))).toBe(false);
  });

  it('that is joined is on the same pieces whichever of them is named first', () => {
    const joined = layerOfPlan(1, { now: 'L-2', nowJoined: 'L-1', planned: 'L-1', plannedJoined: 'L-2' });
    expect(isElsewhere(joined)).toBe(false);
    expect(piecesNow(joined)).toBe('L-1 and L-2');
    expect(isElsewhere({ ...joined, plannedJoined: null })).toBe(true);
  });

  it('that waits for line on order has nothing to change, but where a piece is taken from it', () => {
    const comes = layerOfPlan(1, { planned: 'order 3, 1', comes: true });
    expect(isMoved({ ...comes, now: null })).toBe(false);
    expect(isMoved(comes)).toBe(true);
    expect(piecesPlanned(comes)).toBe('line on order');
  });
});

it('tells line on order without a code, and no layer on it as one that gets none', () => {
  const coming = pieceOfPlan('order 3, 1', { comesAt: '2030-01-10T23:00:00.000Z', place: '10 Jan' });
  expect(pieceName(coming)).toBe('On order');
  expect(pieceName(pieceOfPlan('L-1'))).toBe('L-1');
  const layers = [layerOfPlan(1, { now: null, planned: 'order 3, 1', comes: true })];
  const [line] = linesOf(cutsPlan({ pieces: [coming], layers }));
  expect(line!.without).toEqual([]);
  expect(line!.changes).toBe(0);
});
