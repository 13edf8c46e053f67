import type { CountingDevice } from '../run/credit-count';
import { describe, expect, it } from 'vitest';
import type { Heard } from './heard';
import { answered, answeredAt, hearLine } from './hear-line';

const DEVICE: CountingDevice = { name: 'reed-1', counts: 'handle-turns', per: 1 };

/** Lines as `[sequence, count]`, a quarter of a second apart unless they say how many seconds later, and on a new link. */
type Told = readonly [sequence: number, count: number, seconds?: number, fresh?: 'fresh'];
function after(...lines: readonly Told[]): Heard {
  let heard: Heard | null = null;
  let now = 0;
  for (const [sequence, count, seconds = 0.25, fresh] of lines) {
    now += 1000 * seconds;
    const line = { device: 'reed-1', sequence, count };
    heard = hearLine(heard, line, { device: DEVICE, now, fresh: fresh === 'fresh' });
  }
  return heard!;
}
const wound: readonly Told[] = Array.from({ length: 65 }, (_, i): Told => [i + 1, i]);
const told = (...lines: readonly Told[]) => {
  const { count, doubt } = after(...wound, ...lines);
  return { count, doubt };
};

describe('lines of a counter', () => {
  it('are believed as fast as a hand winds, forward and back, and all that came while the link was away', () => {
    expect(told([66, 66], [67, 65], [68, 70])).toEqual({ count: 70, doubt: null });
    expect(told([80, 264, 30, 'fresh'])).toEqual({ count: 264, doubt: null });
    // Lines that were lost leave as much time as they would have taken.
    expect(told([76, 114, 8])).toEqual({ count: 114, doubt: null });
  });

  it('that a hand cannot have wound are in doubt, and stay so', () => {
    expect(told([66, 10_064])).toEqual({ count: 10_064, doubt: 'jumped' });
    expect(told([66, 264], [67, 265], [68, 266])).toEqual({ count: 266, doubt: 'jumped' });
    // Long at rest is no reason for a jump in one line, and nobody winds for hours unseen.
    expect(told([66, 400, 600]).doubt).toBe('jumped');
    expect(told([66, 5000, 7200, 'fresh']).doubt).toBe('jumped');
    expect(told([66, 464, 55, 'fresh']).doubt).toBe('jumped');
  });

  it('of which one was wrong are believed again with the next', () => {
    expect(told([66, 12_281], [67, 66])).toEqual({ count: 66, doubt: null });
    expect(told([66, 6], [67, 66])).toEqual({ count: 66, doubt: null });
  });

  it('that repeat say nothing, and late ones are passed over', () => {
    expect(told([65, 64], [65, 64])).toEqual({ count: 64, doubt: null });
    expect(told([60, 59], [66, 66])).toEqual({ count: 66, doubt: null });
    expect(told([60, 59]).count).toBe(64);
    expect(told([60, 59], [66, 66], [61, 60], [67, 67])).toEqual({ count: 67, doubt: null });
  });

  it('that begin again are a counter that began again, whatever it shows', () => {
    expect(told([1, 0, 5, 'fresh'])).toEqual({ count: 0, doubt: 'restarted' });
    expect(told([1, 0], [2, 1])).toEqual({ count: 1, doubt: 'restarted' });
    expect(told([1, 0], [1, 0, 1])).toEqual({ count: 0, doubt: 'restarted' });
    // Wound on as far as before, as many lines later: nothing of it was said again.
    const on = Array.from({ length: 67 }, (_, i): Told => [i + 1, i === 66 ? 64 : Math.min(i, 63)]);
    expect(told(...on)).toEqual({ count: 64, doubt: 'restarted' });
    // Little was counted: the fall alone would not tell.
    const few = after([1, 0], [2, 1], [3, 5], [1, 0, 4, 'fresh'], [2, 7, 2]);
    expect(few).toMatchObject({ count: 7, doubt: 'restarted' });
    // Back where it was by its own battery: nothing was lost.
    expect(told([1, 64, 5, 'fresh'])).toEqual({ count: 64, doubt: null });
  });

  it('that fall to zero are a counter that was zeroed, though they go on', () => {
    const few = after([1, 0], [2, 4], [3, 8], [4, 0], [5, 1], [6, 2]);
    expect(few).toMatchObject({ count: 2, doubt: 'restarted' });
    expect(after([1, 2], [2, 1], [3, 0]).doubt).toBeNull();
  });

  it('go on from where they stand once they were answered', () => {
    const heard = answered(after(...wound, [66, 500]));
    expect(heard).toMatchObject({ count: 500, doubt: null });
    const line = { device: 'reed-1', sequence: 67, count: 502 };
    const next = hearLine(heard, line, { device: DEVICE, now: heard.at + 250, fresh: false });
    expect(next).toMatchObject({ count: 502, doubt: null });
  });

  it('are in doubt still where only an earlier doubt was answered', () => {
    const answered = (lines: readonly Told[], count: number) => {
      const { doubt, sound } = answeredAt(after(...wound, ...lines), count, DEVICE);
      return [doubt, sound.count];
    };
    const jump: Told = [66, 464];
    const begun: readonly Told[] = [jump, [1, 0, 5, 'fresh'], [2, 3]];
    const twice: readonly Told[] = [jump, [67, 466], [68, 867], [69, 869]];
    expect(answered(twice, 466)).toEqual(['jumped', 466]);
    expect(answered(twice, 867)).toEqual([null, 869]);
    // What was wound on since the answer was given is no doubt, forward or back.
    for (const on of [468, 462]) expect(answered([jump, [67, on]], 464)).toEqual([null, on]);
    expect(answered(begun, 464)).toEqual(['restarted', 464]);
    expect(answered(begun, 0)).toEqual([null, 3]);
  });
});
