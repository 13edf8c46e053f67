import { draft, line, piece } from '../testing/amount-drafts';
import { planFrom } from '../testing/drafts';
import { cutRows } from './draft-job';

describe('what the rack proposes', () => {
  const NYLON = line('N-25', 0.25);
  const pack = piece(5, { product: NYLON, kind: 'pack', lengthMm: 140_000, receivedMm: 140_000 });
  const bulk = piece(6, { product: NYLON, kind: 'bulk', lengthMm: 900_000, receivedMm: 900_000 });
  const both = draft({
    mainPiece: 'line:N-25',
    mainLength: '79 m',
    backingPiece: 'line:N-25',
    backingLength: '60 m',
  });

  it('is never what the row below calls short: the tail of the first cut is off before the second', () => {
    const plan = planFrom(both, [pack, bulk]);
    expect(plan.cuts.backing?.piece?.id).toBe(5);
    expect(plan.cuts.main?.piece?.id).toBe(6);
    expect(cutRows(plan).map(({ short, left }) => [short, (left ?? 0) >= 0])).toEqual([
      [0, true],
      [0, true],
    ]);
  });

  it('is the one pack for both where nothing is lost with a cut', () => {
    const plan = planFrom(both, [pack, bulk], 'metric', undefined, undefined, undefined, 0);
    expect(plan.cuts.main?.piece?.id).toBe(5);
    expect(cutRows(plan, undefined, 0).map(({ left }) => left)).toEqual([80, 1]);
  });
});
