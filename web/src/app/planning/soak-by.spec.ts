import { DateTime } from 'luxon';
import { soakBy } from './soak-by';

const NOW = DateTime.fromISO('2031-11-27T16:03') as DateTime<true>;
const by = (promised: string, hours: number, wet = false) =>
  soakBy(DateTime.fromISO(promised), hours, wet, NOW);

describe('line that is soaked for its promise', () => {
  it('has to be in the tub by a time that is to come', () => {
    expect(by('2031-11-28T17:00', 1.5)).toEqual({
      possible: true,
      words: 'Into the tub by tomorrow 14:30, to be filled an hour before the promise.',
    });
  });

  it('cannot be any more where that time is past, and says so', () => {
    const late = by('2031-11-27T17:10', 1.5)!;
    expect(late.possible).toBe(false);
    expect(late.words).toContain('would have had to be in the tub by today 14:40');
    expect(late.words).toContain('Wind it dry, or promise it later.');
  });

  it('is no question where it is wet already, or never soaked', () => {
    expect(by('2031-11-27T16:20', 10, true)).toMatchObject({ possible: true });
    expect(by('2031-11-27T16:20', 0)).toBeNull();
    expect(by('', 10)).toBeNull();
  });
});
