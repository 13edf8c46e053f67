import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Piece } from '@yard-spool/contract';
import { aPiece } from '../testing/pieces';
import { PlanningDesk } from './planning-desk';
import { emptyReel, type ReelDraft } from './reel-draft';

const reel = (more: Partial<ReelDraft> = {}): ReelDraft => ({
  ...emptyReel(),
  label: 'Kitta 30',
  lip: '46 mm',
  rating1: '210 x 0.25',
  underneath: 'main-only',
  mainPiece: '1',
  ...more,
});

describe('the planning desk', () => {
  const rack = signal<readonly Piece[]>([]);
  const customerId = signal('');
  let desk: PlanningDesk;

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [PlanningDesk, provideHttpClient(), provideHttpClientTesting()],
    });
    rack.set([aPiece({ id: 1, lengthMm: 300_000 })]);
    desk = TestBed.inject(PlanningDesk);
    desk.planFrom({ rack, lines: signal([]), customerId });
    desk.lay([reel(), reel({ mainLength: '' })]);
  });

  it('plans only the reel that changed', () => {
    const [first, second] = desk.plans();
    desk.show(1);
    desk.form.controls.gap.setValue('3 mm');
    const [firstThen, secondThen] = desk.plans();
    expect(firstThen).toBe(first);
    expect(secondThen).not.toBe(second);
    expect(secondThen!.made!.plan.gap.value).toBeCloseTo(3, 6);
  });

  it('plans all again where the rack changes', () => {
    const before = desk.plans();
    rack.set([aPiece({ id: 1, lengthMm: 250_000 })]);
    for (const [i, plan] of desk.plans().entries()) expect(plan).not.toBe(before[i]);
  });

  it('takes what one reel cuts from what the other may', () => {
    const takes = desk.plans()[0]!.made!.plan.layers[0]!.length.value + 2;
    // The one that is short takes all that is left: it has no tail.
    expect(desk.cuts()[0]!.left).toBeCloseTo(300 - 2 * takes + 2, 2);
  });

  it('says which reel of several keeps them from being kept', () => {
    desk.show(1);
    desk.form.controls.mainPiece.setValue('');
    expect(desk.notReady()).toMatch(/^Reel 2: Choose the main line/);
    expect(desk.jobs().jobs).toHaveLength(1);
  });

  it('moves spare spools up when a reel before them goes', () => {
    desk.lay([reel(), reel(), reel({ sameReelAs: '1' }), reel({ sameReelAs: '0' })]);
    desk.drop();
    expect(desk.reels().map(({ sameReelAs }) => sameReelAs)).toEqual(['', '0', '']);
    expect(desk.at()).toBe(0);
  });
});
