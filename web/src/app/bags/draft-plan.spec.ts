import type { Piece } from '@yard-spool/contract';
import { makePlan } from '@yard-spool/core';
import { aPiece } from '../testing/pieces';
import { draftForm, dropDraft, keepDraft, keptDraft, type BookingDraft } from './booking-draft';
import { planDraft } from './draft-plan';
import { planSentence } from './plan-sentence';
import { promisedText } from './promised-text';
import { DateTime } from 'luxon';

const piece = (id: number, code: string, diameter: number): Piece =>
  aPiece({
    id,
    code,
    product: { ...aPiece().product, id, code: `L-${id}`, name: `Nylon ${diameter}`, diameter },
    receivedMm: 900_000,
    lengthMm: 900_000,
  });
const PIECES = [piece(1, 'P-25', 0.25), piece(2, 'P-26', 0.26)];
const draft = (more: Partial<BookingDraft> = {}): BookingDraft => ({
  ...dropDraft(),
  rating1: '210 x 0.25',
  rating2: '148 x .30',
  lip: '46 mm',
  width: '16.5 mm',
  gear: '5.2:1',
  mainPiece: '2',
  mainLength: '120 m',
  backingPiece: '1',
  ...more,
});

describe('planDraft', () => {
  it('is the plan the core makes from what was typed', () => {
    const planned = planDraft(draft(), PIECES, 'metric');
    const made = makePlan(planned.input!);
    expect(planned.made).toEqual(made.ok ? made.value : null);
    expect(planned.made?.plan.layers[0]?.length.value).toBeCloseTo(79.7, 0);
  });

  it('means the same in yards and inches as in metres, once units are written', () => {
    const metric = planDraft(draft(), PIECES, 'metric').made;
    const typed = draft({ rating1: '210m x 0.25mm', rating2: '148m x .30mm', gap: '1.5 mm' });
    expect(planDraft(typed, PIECES, 'imperial').made).toEqual(metric);
  });

  it.each<[Partial<BookingDraft>, RegExp]>([
    [{ rating1: '', rating2: '', lip: '', width: '' }, /what the spool says/],
    [{ mainPiece: '' }, /main line/],
    [{ gear: 'fast' }, /gear ratio/],
    [{ gap: '' }, /below the lip/],
    [{ mainLength: '' }, /how much main/],
    [{ backingPiece: '' }, /backing/],
  ])('says what to do next for %j', (more, next) => {
    const planned = planDraft(draft(more), PIECES, 'metric');
    expect(planned.made).toBeNull();
    expect(planned.next).toMatch(next);
  });

  it('fills with as much main as fits where there is no backing', () => {
    const { made } = planDraft(draft({ underneath: 'main-only', mainLength: '' }), PIECES, 'metric');
    expect(made?.plan.solvedFor).toBe('main');
  });

  it('passes on what the core refuses', () => {
    const planned = planDraft(draft({ arbor: '45.5 mm' }), PIECES, 'metric');
    expect(planned.problems[0]).toMatch(/leaves no room/);
  });
});

describe('planSentence', () => {
  const say = (more: Partial<BookingDraft>) => {
    const { made } = planDraft(draft(more), PIECES, 'metric');
    return planSentence(
      made!.plan,
      (m) => `${m.toFixed(0)} m`,
      (mm) => `${mm.toFixed(1)} mm`,
    );
  };

  it('tells the one figure that was unknown, with its range', () => {
    expect(say({})).toEqual({
      headline: 'Fills to the gap with 80 m of backing.',
      likely: 'likely 56 m to 103 m',
    });
    expect(say({ underneath: 'main-only' }).headline).toMatch(/^Holds \d+ m of main line\.$/);
  });

  it('says by how much a main is too long', () => {
    expect(say({ mainLength: '400 m' }).headline).toMatch(/The main is \d+ m longer than fits/);
  });
});

describe('the draft', () => {
  it('is kept as typed, wrong entries too, until it is booked or dropped', () => {
    const form = draftForm(keptDraft());
    form.patchValue({ lip: 'not a number', label: 'A reel' });
    keepDraft(form.getRawValue() as BookingDraft);
    expect(keptDraft()).toMatchObject({ lip: 'not a number', label: 'A reel' });
    dropDraft();
    expect(keptDraft().label).toBe('');
  });

  it('survives a kept draft that cannot be read', () => {
    sessionStorage.setItem('yard-spool.booking', '{"label": "half');
    expect(keptDraft().label).toBe('');
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
