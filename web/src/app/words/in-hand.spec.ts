import { aDay } from '../testing/days';
import { inHand } from './in-hand';

const at = (hours: number): string =>
  new Date(Date.parse('2031-03-13T17:00:00') - hours * 3_600_000).toISOString();

describe('time in hand', () => {
  it.each([
    [3, 2.5, 'fine', '3 h'],
    [0.1, -0.4, 'unsure', '6 min'],
    [-0.005, -0.4, 'unsure', '0 min'],
    [-1.25, -2, 'late', '1 h 15 min late'],
    [30, 29, 'fine', '1 day 6 h'],
  ])('of %d h, surely %d h, is %s: %s', (usually, surely, state, words) => {
    const bag = { ...aDay().bags[0]!, promisedAt: at(0), endAt: at(usually), surelyAt: at(surely) };
    const told = inHand(bag);
    expect([told.state, told.words]).toEqual([state, words]);
    expect(told.usually).toBeCloseTo(60 * usually, 6);
    expect(told.surely).toBeCloseTo(60 * surely, 6);
  });
});
