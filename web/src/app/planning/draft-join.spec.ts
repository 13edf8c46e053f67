import type { PlannedCut } from '@yard-spool/contract';
import { NOTHING_TAKEN, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { draft, line, piece } from '../testing/amount-drafts';
import { planFrom } from '../testing/drafts';
import { cutRows, draftJob, notReady, takenBy } from './draft-job';
import { joinFor, joinIn } from './draft-join';
import { reelFromPlan } from './reel-from-plan';
import { waysOut } from './ways-out';

const NYLON = line('N-25', 0.25);
const on = (id: number, metres: number, more: object = {}) =>
  piece(id, { product: NYLON, lengthMm: 1000 * metres, receivedMm: 1000 * metres, opened: true, ...more });
const MAIN = piece(2, { product: line('N-26', 0.26), lengthMm: 900_000, receivedMm: 900_000 });
const BACKING = [on(1, 40), on(3, 70), on(4, 15)];
const RACK = [MAIN, ...BACKING];
const wants = { mainPiece: '2', mainLength: '110 m', backingPiece: '3', backingLength: '90 m' };
const by = { rack: { pieces: RACK, lines: RACK.map(({ product }) => product) }, system: 'metric' } as const;
const JOINED = { ...wants, backingPiece: '1', joined: '1 3 40000' };

describe('backing that no piece has all of', () => {
  it('is offered joined from two, the one that is used up first', () => {
    const typed = draft(wants);
    const plan = planFrom(typed, RACK);
    const ways = waysOut(typed, plan, cutRows(plan), { ...by, rules: USUAL_HOUSE_RULES });
    expect(ways.find(({ name }) => name.startsWith('Joined'))).toEqual({
      name: 'Joined from P-1 and P-3',
      change: { backingPiece: '1', joined: '1 3 40000' },
    });
    // Of one that has enough nobody has to be told to join it.
    const enough = draft({ ...wants, backingLength: '60 m' });
    const fits = planFrom(enough, RACK);
    expect(waysOut(enough, fits, cutRows(fits), by).some(({ name }) => name.startsWith('Joined'))).toBe(
      false,
    );
  });

  it('is a row for each, with its own turns and what it leaves', () => {
    const typed = draft(JOINED);
    const plan = planFrom(typed, RACK);
    const [first, second] = cutRows(plan).filter(({ layer }) => layer === 'backing');
    expect(first).toMatchObject({ piece: 'P-1', metres: 40, left: 0 });
    expect(second).toMatchObject({ piece: 'P-3', left: 18 });
    expect(second!.metres).toBeCloseTo(50, 9);
    const whole = plan.made!.plan.layers[0]!.handleTurns.value;
    expect(first!.handleTurns + second!.handleTurns).toBeCloseTo(whole, 6);
    expect(notReady(typed, plan, cutRows(plan))).toBe('');
    expect([...takenBy([plan])]).toEqual(
      expect.arrayContaining([
        [1, 40_000],
        [3, 52_000],
      ]),
    );
  });

  it('is sent as a join, and read back as the same; another fill asks the rack again', () => {
    const plan = planFrom(draft(JOINED), RACK);
    const job = draftJob(draft(JOINED), plan, 'metric', () => 0)!;
    expect(job.cuts[0]).toEqual({ layer: 'backing', pieceId: 1, joined: { pieceId: 3, firstMm: 40_000 } });
    const cut = { layer: 'backing', productCode: 'N-25', own: false, takes: null };
    const kept = {
      planInput: job.planInput,
      wants: job.wants,
      spool: 'own',
      cuts: [
        { ...cut, pieceId: 1, lengthMm: 40_000 },
        { ...cut, pieceId: 3, lengthMm: 50_000 },
      ] as PlannedCut[],
    };
    const reel = { tag: 'R-7', type: 'fixed-spool' as const, label: 'Kitta 25' };
    expect(reelFromPlan(reel, kept, 'metric')).toMatchObject({ backingPiece: '1', joined: '1 3 40000' });
    expect(reelFromPlan(reel, kept, 'metric', true)).toMatchObject({ backingPiece: 'line:N-25', joined: '' });
  });

  it('is of one piece again once another is chosen, or the second is gone', () => {
    expect(joinIn(draft(JOINED), RACK)?.piece.code).toBe('P-3');
    expect(joinIn(draft({ ...JOINED, backingPiece: '3' }), RACK)).toBeNull();
    expect(joinIn(draft(JOINED), [MAIN, on(1, 40)])).toBeNull();
    expect(joinIn(draft(wants), RACK)).toBeNull();
  });
});

describe('two pieces to join', () => {
  it('are at least what can be joined each, and have all of it with what is lost', () => {
    expect(joinFor(BACKING, 100, NOTHING_TAKEN, 2000)).toMatchObject({
      first: 1,
      second: 3,
      firstMm: 40_000,
    });
    expect(joinFor(BACKING, 109, NOTHING_TAKEN, 2000)).toBeNull();
    expect(joinFor(BACKING, 84, new Map([[3, 60_000]]), 2000)).toBeNull();
    expect(joinFor([on(1, 40), on(4, 19)], 50, NOTHING_TAKEN, 2000)).toBeNull();
  });
});
