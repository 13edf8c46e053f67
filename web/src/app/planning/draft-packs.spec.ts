import type { Piece, PlannedCut } from '@yard-spool/contract';
import { BRAID, piece, RACK, draft, layersOf } from '../testing/amount-drafts';
import { planFrom } from '../testing/drafts';
import { cutRows, draftJob, notReady, takenBy } from './draft-job';
import { reelFromPlan } from './reel-from-plan';

describe('packs, as people say them', () => {
  it('a third of a pack for three leaves two thirds, one, and nothing', () => {
    const typed = draft({ mainLength: 'a third of the pack' });
    const plan = planFrom(typed, RACK);
    const left = [[], [plan], [plan, plan]].map((before) => cutRows(plan, takenBy(before))[1]!.left!);
    expect(left[0]).toBeCloseTo(121.92, 2);
    expect(left[1]).toBeCloseTo(60.96, 2);
    expect(left[2]).toBeCloseTo(0, 2);
    const last = planFrom(typed, RACK, 'metric', undefined, undefined, takenBy([plan, plan]));
    expect(notReady(typed, last, cutRows(last, takenBy([plan, plan])))).toBe('');
  });

  it('as little as will do is a cast and a half, and a pack is the one that holds so much', () => {
    expect(layersOf({ mainLength: 'as little as I can get away with' })![1]).toMatchObject({ length: 75 });
    const small = piece(8, { product: BRAID, kind: 'pack', lengthMm: 137_160, receivedMm: 137_160 });
    const by = { mainPiece: 'line:B-19', mainLength: 'the 150 yd pack' };
    const plan = planFrom(draft(by), [...RACK, small]);
    expect(plan.input!.request.layers[1]).toMatchObject({ length: 137.16 });
    expect(plan.cuts.main).toMatchObject({ piece: { id: 8 }, takes: { pack: 1 } });
    // No such pack is there: as many metres off whatever has them.
    const without = planFrom(draft(by), RACK);
    expect(without.input!.request.layers[1]).toMatchObject({ length: 137.16 });
    expect(without.cuts.main).toMatchObject({ piece: { id: 2 }, takes: null });
  });

  it('a whole pack, as last time, is a pack of that size or its metres, and never a bulk spool', () => {
    const booked = planFrom(draft({ mainLength: 'whole pack' }), RACK);
    const cut = { layer: 'main', pieceId: 2, productCode: 'B-19', own: false, takes: { pack: 1 } };
    const again = reelFromPlan(
      { tag: 'R-1', type: 'fixed-spool', label: 'Kitta 25' },
      {
        planInput: booked.input!,
        wants: draftJob(draft(), booked, 'metric', () => 0)!.wants,
        cuts: [cut as PlannedCut],
        spool: 'own',
      },
      'metric',
      true,
    );
    expect(again).toMatchObject({ mainPiece: 'line:B-19', mainLength: 'the 182.88 m pack' });
    const bulk = piece(9, { product: BRAID, lengthMm: 3_000_000, receivedMm: 3_000_000 });
    const length = (rack: readonly Piece[]) =>
      planFrom({ ...again, backingPiece: '1' }, rack).input!.request.layers.find(({ id }) => id === 'main');
    expect(length([RACK[0]!, bulk])).toMatchObject({ length: 182.88 });
    expect(length([...RACK, bulk])).toMatchObject({ length: 182.88 });
    expect(
      planFrom(draft({ mainPiece: 'line:B-19', mainLength: 'whole pack' }), [RACK[0]!, bulk]).made,
    ).toBeNull();
  });
});
