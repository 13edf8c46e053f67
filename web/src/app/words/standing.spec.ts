import { DateTime } from 'luxon';
import { aDay } from '../testing/days';
import { standingOf } from './standing';

const at = (hours: number): string => DateTime.now().plus({ hours }).toUTC().toISO();
const planned = (promised: number, end: number, surely = end) => ({
  ...aDay().bags[0]!,
  promisedAt: at(promised),
  endAt: at(end),
  surelyAt: at(surely),
});

describe('how a bag stands', () => {
  it.each([
    ['will be late as things go', 200, 201, 202, 'late', true, 'will be 1 h late'],
    ['is in time, but not nine times in ten', 200, 199.5, 201, 'today', true, '30 min in hand'],
    ['is in time', 200, 197, 198, 'later', false, '3 h in hand'],
    ['is past its promise', -1, 1, 1.5, 'late', true, '2 h late'],
  ])('that %s', (_, promised, end, surely, urgency, urgent, words) => {
    expect(standingOf(at(promised), planned(promised, end, surely))).toEqual({ urgency, urgent, words });
  });

  it('that is in no order goes by its promise', () => {
    expect(standingOf(at(200), undefined)).toMatchObject({ urgency: 'later', urgent: false });
    expect(standingOf(at(-2), undefined)).toEqual({ urgency: 'late', urgent: true, words: '2 h late' });
  });
});
