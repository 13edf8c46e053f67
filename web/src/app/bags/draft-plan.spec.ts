import { makePlan, tell, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { aPiece } from '../testing/pieces';
import { dropDraft, emptyDraft, keepDraft, savedDraft } from './booking-draft';
import { PIECES, draft } from '../testing/spool-drafts';
import { planFrom } from '../testing/drafts';
import { TestBed } from '@angular/core/testing';
import { UnitsService } from '../data/units.service';
import { planSentence } from '../planning/plan-sentence';
import { promisedText } from '../words/promised-text';
import { emptyReel, reelForm, type ReelDraft } from '../planning/reel-draft';
import { DateTime } from 'luxon';

describe('planDraft', () => {
  it('is the plan the core makes from what was typed', () => {
    const planned = planFrom(draft(), PIECES, 'metric');
    const made = makePlan(planned.input!);
    expect(planned.made).toEqual(made.ok ? made.value : null);
    expect(planned.made?.plan.layers[0]?.length.value).toBeCloseTo(78.8, 0);
  });

  it('means the same in yards and inches as in metres, once units are written', () => {
    const metric = planFrom(draft(), PIECES, 'metric').made;
    const typed = draft({ rating1: '210m x 0.25mm', rating2: '148m x .30mm', gap: '1.5 mm' });
    expect(planFrom(typed, PIECES, 'imperial').made).toEqual(metric);
  });

  it('nylon for grip is a layer like any other, with its piece and ten metres unless more is said', () => {
    const braid = aPiece({
      id: 3,
      code: 'P-B',
      product: { ...aPiece().product, id: 3, code: 'L-B', name: 'Braid', material: 'braid', diameter: 0.2 },
    });
    const grips = draft({ underneath: 'grip', mainPiece: '3', mainLength: '' });
    const { input, cuts } = planFrom(grips, [...PIECES, braid], 'metric');
    expect(input?.request.layers).toMatchObject([
      { id: 'backing', role: 'backing', line: { material: 'nylon' }, length: 10 },
      { id: 'main', line: { material: 'braid' }, length: 'fits' },
    ]);
    expect(Object.keys(cuts)).toEqual(['backing', 'main']);
    expect(planFrom(draft({ underneath: 'grip', backingPiece: '' }), PIECES, 'metric').next).toMatch(/grips/);
  });

  it.each<[Partial<ReelDraft>, RegExp]>([
    [{ mainPiece: '' }, /main line/],
    [{ gap: 'a bit' }, /below the lip/],
    [{ underneath: 'three-layer' }, /top shot/],
    [{ underneath: 'three-layer', backingPiece: '' }, /cushion/],
    [{ underneath: 'tape', mainLength: '' }, /how much main/],
    [{ mainLength: '' }, /how much main/],
    [{ backingPiece: '' }, /backing/],
  ])('says what to do next for %j', (more, next) => {
    const planned = planFrom(draft(more), PIECES, 'metric');
    expect(planned.made).toBeNull();
    expect(planned.next).toMatch(next);
  });

  it('fills with as much main as fits where there is no backing', () => {
    const { made } = planFrom(draft({ underneath: 'main-only', mainLength: '' }), PIECES, 'metric');
    expect(made?.plan.solvedFor).toBe('main');
  });

  it('leaves the gap the house leaves where none was typed', () => {
    const { made, gap } = planFrom(draft({ gap: '' }), PIECES, 'metric');
    expect(gap?.gap).toBeCloseTo(2.38, 2);
    expect(made?.plan.gap.value).toBeCloseTo(gap!.gap, 6);
    const flush = planFrom(draft({ gap: '' }), PIECES, 'metric', { ...USUAL_HOUSE_RULES, level: 'flush' });
    expect(flush.made?.plan.gap.value).toBeCloseTo(0, 6);
    expect(planFrom(draft({ gap: '', bevel: '2 mm' }), PIECES, 'metric').gap?.gap).toBe(2);
  });

  it('plans a spool nothing is known of, honestly wide', () => {
    const bare = { rating1: '', rating2: '', lip: '', width: '' };
    const { made, input } = planFrom(draft(bare), PIECES, 'metric');
    expect(input?.observations).toEqual([]);
    expect(made!.plan.layers[0]!.length.sd).toBeGreaterThan(60);
  });

  it('builds three layers, the top shot spliced into hollow braid', () => {
    const hollow = aPiece({
      id: 3,
      product: { ...aPiece().product, code: 'HB', material: 'hollow-braid', diameter: 0.4 },
    });
    const typed = draft({
      underneath: 'three-layer',
      mainLength: '',
      mainPiece: '3',
      topPiece: '2',
      rating1: '500 x 0.5',
      lip: '',
      width: '',
      rating2: '',
    });
    const layers = planFrom(typed, [...PIECES, hollow], 'metric').input!.request.layers;
    expect(layers).toMatchObject([
      { id: 'backing', role: 'cushion', length: 45 },
      { id: 'main', role: 'main', length: 'fits' },
      { id: 'top', role: 'top-shot', length: 270, overlap: 3.66 },
    ]);
  });

  it('starts on old line left on, and takes the measures of a taper and a turn', () => {
    const typed = draft({
      kept: '25 m',
      keptDiameter: '0.3 mm',
      arbor: '26 mm',
      farArbor: '28 mm',
      retrieve: '0.7 m',
    });
    const { input } = planFrom(typed, PIECES, 'metric');
    expect(input!.request.layers[0]).toMatchObject({ kind: 'retained', left: { length: 25 } });
    expect(input!.observations).toContainEqual({ kind: 'arbor', diameter: 26, farDiameter: 28 });
    expect(input!.observations).toContainEqual({ kind: 'retrieve', perTurn: 0.7, gear: 5.2 });
  });

  it('starts on old line by its depth, or on a reducer', () => {
    const deep = draft({ keptDiameter: '0.3 mm', kept: '6 mm below the lip' });
    expect(planFrom(deep, PIECES, 'metric').input!.request.layers[0]).toMatchObject({
      kind: 'retained',
      left: { depth: 6 },
    });
    const reduced = planFrom(draft({ reducer: '34 mm' }), PIECES, 'metric');
    expect(reduced.input!.request.layers[0]).toEqual({ kind: 'reducer', id: 'reducer', diameter: 34 });
    expect(reduced.made!.plan.layers[1]!.length.value).toBeLessThan(
      planFrom(draft(), PIECES, 'metric').made!.plan.layers[0]!.length.value,
    );
  });

  it('takes a braid rating as braid', () => {
    const { input } = planFrom(draft({ ratedFor: 'braid' }), PIECES, 'metric');
    expect(input!.observations[0]).toMatchObject({ kind: 'rating', material: 'braid' });
  });

  it('passes on what the core refuses', () => {
    const planned = planFrom(draft({ arbor: '45.5 mm' }), PIECES, 'metric');
    expect(planned.problems[0]).toMatch(/leaves no room/);
  });
});

describe('planSentence', () => {
  const say = (more: Partial<ReelDraft>) => {
    const { made } = planFrom(draft(more), PIECES, 'metric');
    return planSentence(made!.plan, TestBed.inject(UnitsService));
  };

  it('tells the one figure that was unknown, with its range', () => {
    expect(say({})).toEqual({
      headline: 'Fills to the gap with 79\u00a0m of backing.',
      likely: 'likely 50\u00a0m to 108\u00a0m; the gap would then be 0.1 to 2.9\u00a0mm below the lip',
    });
    expect(say({ underneath: 'main-only', mainLength: 'as much as fits' }).headline).toMatch(
      /^Holds \d+\sm of main line\.$/,
    );
  });

  it('says by how much a main is too long', () => {
    expect(tell(say({ mainLength: '400 m' }).headline, 'metric')).toMatch(
      /The main is 20[78]\sm longer than fits/,
    );
  });
});

describe('the draft', () => {
  it('is kept as typed, wrong entries too, reel by reel, until it is booked or dropped', () => {
    const form = reelForm(emptyReel());
    form.patchValue({ lip: 'not a number', label: 'A reel' });
    keepDraft({
      ...emptyDraft(),
      notes: 'wet',
      reels: [emptyReel(), form.getRawValue() as unknown as ReelDraft],
    });
    expect(savedDraft()).toMatchObject({
      notes: 'wet',
      reels: [{}, { lip: 'not a number', label: 'A reel' }],
    });
    dropDraft();
    expect(savedDraft().reels).toEqual([emptyReel()]);
  });

  it('survives a kept draft that cannot be read, and one with no reel', () => {
    for (const kept of ['{"label": "half', '{"reels": []}']) {
      sessionStorage.setItem('yard-spool.booking', kept);
      expect(savedDraft().reels).toEqual([emptyReel()]);
    }
  });
});

describe('promisedText', () => {
  it.each([
    ['2030-05-07T17:00', 'today 17:00'],
    ['2030-05-08T09:05', 'tomorrow 9:05'],
    ['2030-05-06T17:00', 'yesterday 17:00'],
    ['2030-05-11T12:00', 'Sat 11 May 12:00'],
  ])('%s', (at, text) => {
    expect(promisedText(at, DateTime.fromISO('2030-05-07T23:30'))).toBe(text);
  });
});
