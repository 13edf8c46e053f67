import { DateTime } from 'luxon';
import { howUrgent, timeLeft } from './how-urgent';

describe('a promise by the clock', () => {
  const now = DateTime.fromISO('2031-03-10T10:00');
  const at = (minutes: number): string => now.plus({ minutes }).toISO() ?? '';

  it.each([
    [-1, 'late'],
    [60, 'today'],
    [26 * 60, 'soon'],
    [4 * 1440, 'later'],
  ])('%i minutes from now is %s', (minutes, urgency) => {
    expect(howUrgent(at(minutes), now)).toBe(urgency);
  });

  it.each([
    [-73, '1 h 13 min late'],
    [-29 * 60, '1 day 5 h late'],
    [40, 'in 40 min'],
    [3 * 1440, 'in 3 days'],
  ])('%i minutes from now is told in hours and days: %s', (minutes, text) => {
    expect(timeLeft(at(minutes), now)).toBe(text);
  });
});
