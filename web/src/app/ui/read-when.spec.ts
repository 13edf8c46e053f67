import { DateTime } from 'luxon';
import { describe, expect, it } from 'vitest';
import { readDay, readMoment } from './read-when';

/** A Thursday. */
const NOW = DateTime.fromISO('2031-11-27T10:20', { zone: 'Europe/Lisbon' });
const day = (typed: string): string | null => readDay(typed, NOW)?.toISODate() ?? null;
const moment = (typed: string): string | null =>
  readMoment(typed, NOW, 17)?.toFormat("yyyy-MM-dd'T'HH:mm") ?? null;

describe('a day that is typed', () => {
  it.each([
    ['3 Dec 2031', '2031-12-03'],
    ['3 December 2031', '2031-12-03'],
    ['Dec 3 2031', '2031-12-03'],
    ['3rd dec 2031', '2031-12-03'],
    ['Wed 3 Dec', '2031-12-03'],
    ['wed, 3 dec', '2031-12-03'],
    ['3.12.2031', '2031-12-03'],
    ['03/12/2031', '2031-12-03'],
    ['2031-12-03', '2031-12-03'],
    ['3.12.', '2031-12-03'],
    ['3/12', '2031-12-03'],
    ['5 Jan', '2032-01-05'],
    ['1 Nov', '2031-11-01'],
    ['today', '2031-11-27'],
    ['Tomorrow', '2031-11-28'],
    ['yesterday', '2031-11-26'],
    ['thu', '2031-11-27'],
    ['friday', '2031-11-28'],
    ['wed', '2031-12-03'],
    ['3/12/31', '2031-12-03'],
  ])('%s is %s', (typed, iso) => {
    expect(day(typed)).toBe(iso);
  });

  it.each(['', 'soon', '31.11.', '30 Feb 2031', '2031-13-01', '12/31/2031', '27', 'Nov'])(
    '%s is none',
    (typed) => {
      expect(day(typed)).toBeNull();
    },
  );
});

it('has its month first where the shop does, and with dots nowhere', () => {
  const american = (typed: string) => readDay(typed, NOW, 'month-first')?.toISODate();
  expect(['12/3/2031', '12/3', '12/3/31', '3.12.2031'].map(american)).toEqual(Array(4).fill('2031-12-03'));
  expect(american('31/12/2031')).toBeUndefined();
});

describe('a moment that is typed', () => {
  it.each([
    ['3 Dec 2031, 16:00', '2031-12-03T16:00'],
    ['3 Dec 16:30', '2031-12-03T16:30'],
    ['3.12. 16.30', '2031-12-03T16:30'],
    ['fri 9', '2031-11-28T09:00'],
    ['tomorrow at 4 pm', '2031-11-28T16:00'],
    ['12 am', '2031-11-27T00:00'],
    ['16:45', '2031-11-27T16:45'],
    ['Sat 5pm', '2031-11-29T17:00'],
    ['tomorrow 5pm', '2031-11-28T17:00'],
    ['2031-12-03T16:05', '2031-12-03T16:05'],
    ['2031-12-03 16:05', '2031-12-03T16:05'],
    ['3 Dec', '2031-12-03T17:00'],
    ['sat', '2031-11-29T17:00'],
    ['in two hours', '2031-11-27T12:20'],
    ['2h', '2031-11-27T12:20'],
    ['in 2 h', '2031-11-27T12:20'],
    ['90 min', '2031-11-27T11:50'],
    ['half an hour', '2031-11-27T10:50'],
    ['in 7 minutes', '2031-11-27T10:30'],
    ['in a week', '2031-12-04T10:20'],
    ['Friday noon', '2031-11-28T12:00'],
    ['noon', '2031-11-27T12:00'],
    ['tomorrow at noon', '2031-11-28T12:00'],
  ])('%s is %s', (typed, iso) => {
    expect(moment(typed)).toBe(iso);
  });

  it.each(['', 'later', '25:00', '3 Dec 16:75', '13 pm', 'fri at', '2031-13-03T16:05'])(
    '%s is none',
    (typed) => {
      expect(moment(typed)).toBeNull();
    },
  );

  it('is in the shop’s zone, whatever the machine’s', () => {
    expect(readMoment('1 Jul 2031, 9:00', NOW, 17)?.toUTC().toISO()).toBe('2031-07-01T08:00:00.000Z');
  });
});
