import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { layAdvice, type LayReading } from './lay-advice';
import { said } from '../testing/examples';

const BENCH = { washers: 'at-the-bench' } as const;
const LATER = { washers: 'after-fishing' } as const;

describe('layAdvice', () => {
  it.each<[LayReading, string, string]>([
    [{ rear: 2, front: 2.2 }, 'level', 'leave'],
    [{ rear: 2.6, front: 2 }, 'front-high', 'add-washer'],
    [{ rear: 1.4, front: 2 }, 'rear-high', 'take-washer-out'],
    [{ rear: 2, front: 2, centre: 1.5 }, 'barrel', 'leave'],
    [{ rear: 2, front: 2, centre: 2.5 }, 'hollow', 'leave'],
  ])('reads %o as %s: %s', (reading, shape, action) => {
    expect(layAdvice(reading, 0.25, BENCH)).toMatchObject({ shape, action });
  });

  it('counts one diameter or 0.3 mm as level, whichever is more', () => {
    const reading = { rear: 2.5, front: 2 };
    expect(layAdvice(reading, 0.25, BENCH).shape).toBe('front-high');
    expect(layAdvice(reading, 0.6, BENCH).shape).toBe('level');
  });

  it('turns round for a reel whose seat works the other way, says so, and remembers', () => {
    const before = { reading: { rear: 2.6, front: 2 }, action: 'add-washer' } as const;
    const worse = layAdvice({ rear: 3.1, front: 2 }, 0.25, BENCH, { before });
    expect(worse).toMatchObject({ action: 'take-washer-out', seatReversed: true });
    expect(said(worse.sentence)).toContain('works the other way');
    const nextVisit = layAdvice({ rear: 2.6, front: 2 }, 0.25, BENCH, { seatReversed: true });
    expect(nextVisit.action).toBe('take-washer-out');
    expect(said(nextVisit.sentence)).not.toContain('made it worse');
  });

  it('keeps its mind where the change helped, or overshot to the other side', () => {
    const before = { reading: { rear: 3, front: 2 }, action: 'add-washer' } as const;
    expect(layAdvice({ rear: 2.5, front: 2 }, 0.25, BENCH, { before }).seatReversed).toBe(false);
    expect(layAdvice({ rear: 1.5, front: 3 }, 0.25, BENCH, { before })).toMatchObject({
      seatReversed: false,
      action: 'take-washer-out',
    });
  });

  it('leaves the washers alone in a house that waits until it was fished', () => {
    const first = layAdvice({ rear: 2.6, front: 2 }, 0.25, LATER);
    expect(first).toMatchObject({ shape: 'front-high', action: 'leave' });
    expect(said(first.sentence)).toContain('after it was fished');
    expect(first.why).not.toBe(layAdvice({ rear: 2.6, front: 2 }, 0.25, BENCH).why);
  });

  it('gives opposite advice for a spool held the other way round', () => {
    const depth = fc.double({ min: 0.5, max: 4, noNaN: true });
    fc.assert(
      fc.property(depth, depth, (rear, front) => {
        const [one, other] = [
          { rear, front },
          { rear: front, front: rear },
        ].map((reading) => layAdvice(reading, 0.25, BENCH));
        const opposite = { 'add-washer': 'take-washer-out', 'take-washer-out': 'add-washer', leave: 'leave' };
        expect(other!.action).toBe(opposite[one!.action]);
      }),
    );
  });
});
