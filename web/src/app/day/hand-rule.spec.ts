import type { DayPlan } from '@yard-spool/contract';
import { aDay, NOON } from '../testing/days';
import { openScreen } from '../testing/screen';
import { HandRule } from './hand-rule';

type InHand = DayPlan['bags'][number];
const at = (hours: number): string =>
  new Date(Date.parse('2031-03-13T17:00:00') - hours * 3_600_000).toISOString();
const bag = (usually: number, surely: number): InHand => ({
  ...aDay().bags[0]!,
  promisedAt: at(0),
  endAt: at(usually),
  surelyAt: at(surely),
});
const open = (usually: number, surely: number) =>
  openScreen(HandRule, { now: NOON, bag: bag(usually, surely) });

describe('a bag’s time in hand', () => {
  it.each([
    [3, 2.5, '3 h', false, false],
    [0.1, -0.4, '6 min', false, true],
    [-1.25, -2, '1 h 15 min late', true, false],
    [30, 29, '1 day 6 h', false, false],
  ])('of %d h, surely %d h, is told as %s', async (usually, surely, words, isLate, isUnsure) => {
    const { element } = await open(usually, surely);
    const told = element.querySelector('[data-test=in-hand]')!;
    expect(told.textContent).toBe(words);
    expect(told.classList.contains('text-stop')).toBe(isLate);
    expect(told.classList.contains('text-join')).toBe(isUnsure);
  });

  it('is drawn to the scale of its rule, with a mark where it is sure', async () => {
    const { element } = await open(1.5, 0.75);
    const bar = element.querySelectorAll('rect')[1]!;
    expect(Number(bar.getAttribute('width'))).toBeCloseTo(120, 6);
    expect(element.querySelector('path.stroke-ink')!.getAttribute('d')).toBe('M61 0v14');
    expect([...element.querySelectorAll('text')].map(({ textContent }) => textContent)).toEqual([
      '',
      '1 h',
      '2 h',
      '',
    ]);
  });

  it('that is none has no bar and no mark', async () => {
    const { element } = await open(-1, -2);
    expect(element.querySelectorAll('rect')[1]!.getAttribute('width')).toBe('0');
    expect(element.querySelector('path.stroke-ink')).toBeNull();
  });

  it('says what it would be if something tried was asked, and marks where it is now', async () => {
    const { element } = await openScreen(HandRule, { now: NOON, bag: bag(2, 1.5), tried: bag(0.5, -0.2) });
    const told = element.querySelector('[data-test=in-hand]')!;
    expect(told.textContent).toBe('2 h → 30 min');
    expect(told.classList.contains('text-join')).toBe(true);
    expect(Number(element.querySelectorAll('rect')[1]!.getAttribute('width'))).toBeCloseTo(40, 6);
    expect(element.querySelector('[data-test=before]')!.getAttribute('d')).toBe('M161 0v14');
  });

  it('that is the same by what is tried is told as it is', async () => {
    const { element } = await openScreen(HandRule, { now: NOON, bag: bag(2, 1.5), tried: bag(2, 1.5) });
    expect(element.querySelector('[data-test=in-hand]')!.textContent).toBe('2 h');
    expect(element.querySelector('[data-test=before]')).toBeNull();
  });
});
