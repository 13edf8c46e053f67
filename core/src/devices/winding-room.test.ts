import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { CountingDevice } from '../run/credit-count';
import { hearLine } from './hear-line';
import type { Heard } from './heard';

const DEVICE: CountingDevice = { name: 'reed-1', counts: 'handle-turns', per: 1 };
/** The fastest a hand winds, turns a second. */
const FASTEST = 8;

/** What is heard at a time, s: so many lines of one turn each, one behind the other. */
interface Heap {
  readonly at: number;
  readonly turns: number;
  readonly fresh?: boolean;
}

/** What was believed of a counter that stood at 0 a second ago: the last sound count, and whether it is in doubt. */
function believed(
  heaps: readonly Heap[],
): Pick<Heard, 'doubt'> & { readonly sound: number; readonly count: number } {
  let heard = hearLine(
    null,
    { device: 'reed-1', sequence: 1, count: 0 },
    { device: DEVICE, now: 0, fresh: true },
  );
  for (const { at, turns, fresh = false } of heaps)
    for (let i = 0; i < turns; i += 1) {
      const line = { device: 'reed-1', sequence: heard.sequence + 1, count: heard.count + 1 };
      heard = hearLine(heard, line, { device: DEVICE, now: 1000 * at, fresh: fresh && i === 0 });
    }
  return { doubt: heard.doubt, sound: heard.sound.count, count: heard.count };
}

/** One turn a line, so many a second, for so many seconds, from the first second on. */
const steadily = (aSecond: number, seconds: number): readonly Heap[] =>
  Array.from({ length: Math.round(aSecond * seconds) }, (_, i) => ({ at: 1 + i / aSecond, turns: 1 }));

describe('how fast a hand winds', () => {
  it('is held to by the second: a switch that chatters is asked about, however small its lines', () => {
    for (const chatter of [
      steadily(100, 1),
      steadily(50, 10),
      steadily(10_000, 1),
      [{ at: 1, turns: 300 }],
    ]) {
      const { doubt, sound } = believed(chatter);
      expect(doubt).toBe('jumped');
      // No more than what may be gathered at once, the second before it, and what a hand winds until then.
      expect(sound).toBeLessThanOrEqual(FASTEST * 3);
    }
  });

  it('leaves whoever winds as fast as a hand can alone, for as long as they like', () => {
    expect(believed(steadily(FASTEST, 120))).toMatchObject({ doubt: null, sound: 8 * 120 });
    expect(believed(steadily(4, 600))).toMatchObject({ doubt: null });
  });

  it('counts what a silence held up, and comes in one heap', () => {
    // An adapter that hangs for eight seconds, and one that hangs for half a minute.
    expect(believed([...steadily(4, 2), { at: 11, turns: 36 }])).toMatchObject({ doubt: null, sound: 44 });
    expect(believed([{ at: 30, turns: 120 }])).toMatchObject({ doubt: null });
    // A link that was away, all lines of that time behind its first one.
    expect(believed([{ at: 38, turns: 150, fresh: true }])).toMatchObject({ doubt: null });
    // Not what a heap cannot be: more than a hand winds in that time, or than anybody winds unseen.
    expect(believed([{ at: 8, turns: 80 }]).doubt).toBe('jumped');
    expect(believed([{ at: 600, turns: 340 }]).doubt).toBe('jumped');
    // And not kept for later: at rest again, only what may be gathered is left of it.
    expect(
      believed([
        { at: 30, turns: 1 },
        { at: 31, turns: 1 },
        { at: 31.1, turns: 40 },
      ]).doubt,
    ).toBe('jumped');
  });

  it('never believes more than there was time for, whatever comes when', () => {
    const heap = fc.record({
      pause: fc.double({ min: 0, max: 6, noNaN: true }),
      turns: fc.integer({ min: 1, max: 30 }),
    });
    fc.assert(
      fc.property(fc.array(heap, { minLength: 1, maxLength: 25 }), (told) => {
        let at = 0;
        const heaps = told.map(({ pause, turns }) => ({ at: (at += pause), turns }));
        const { doubt, sound, count } = believed(heaps);
        expect(sound).toBeLessThanOrEqual(FASTEST * (at + 1.5) + 1e-6);
        if (doubt === null) expect(sound).toBe(count);
      }),
    );
  });

  it('asks about nothing that a hand wound, in whatever heaps it comes', () => {
    // Wound at most 7 turns a second, told in heaps after pauses of any length up to half a minute.
    const heap = fc.record({
      pause: fc.double({ min: 0.3, max: 30, noNaN: true }),
      speed: fc.double({ min: 0, max: 7, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(heap, { minLength: 1, maxLength: 12 }), (told) => {
        let at = 0;
        const heaps = told.map(({ pause, speed }) => ({
          at: (at += pause),
          turns: Math.floor(pause * speed),
        }));
        expect(believed(heaps).doubt).toBeNull();
      }),
    );
  });

  it('is what a counter that was asked about is held to as well, so that only what a hand wound since is said of it', () => {
    let heard = hearLine(
      null,
      { device: 'reed-1', sequence: 1, count: 0 },
      { device: DEVICE, now: 0, fresh: true },
    );
    const say = (by: number, now: number): Heard =>
      (heard = hearLine(
        heard,
        { device: 'reed-1', sequence: heard.sequence + 1, count: heard.count + by },
        { device: DEVICE, now, fresh: false },
      ));
    for (let i = 1; i <= 200; i += 1) say(1, 1000 + 10 * i);
    for (let i = 1; i <= 12; i += 1) say(1, 6000 + 250 * i);
    // The switch chattered to 200; twelve were wound after it.
    expect(heard).toMatchObject({ doubt: 'jumped', count: 212 });
    expect(heard.since).toBeGreaterThan(198);
    expect(heard.since).toBeLessThanOrEqual(200);
  });
});
