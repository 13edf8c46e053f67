import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSlackTest, slackLookDue, slackShare, type SlackReading } from './slack-test';

const EXPECTED = { asLaidOut: -3.89, wrongWay: -10.26 };
/** Ply turns a loop of two metres shows at this twist. */
const reading = (twist: number, more: Partial<SlackReading> = {}): SlackReading => ({
  pinched: 2,
  plyTurns: twist,
  wound: 6,
  span: 1.5,
  ...more,
});

describe('readSlackTest', () => {
  it('shows 95 % of the twist after three spans, and asks for the look then', () => {
    expect(slackShare(4.5, 1.5)).toBeCloseTo(0.95, 2);
    expect(slackLookDue(0.5)).toBe(9);
    expect(slackLookDue(0.7, 2)).toBe(9);
  });

  it('counts two turns of twist for each full turn of the ply', () => {
    expect(readSlackTest(reading(4), EXPECTED).measured).toBeCloseTo(4, 9);
    expect(readSlackTest(reading(4, { pinched: 1 }), EXPECTED).measured).toBeCloseTo(8, 9);
  });

  it.each([
    [4, 'as-laid-out'],
    [10, 'wrong-way'],
    [7, 'neither'],
    [16, 'neither'],
    [0, 'neither'],
  ])('reads %s turns a metre as %s', (twist, verdict) => {
    expect(readSlackTest(reading(twist), EXPECTED).verdict).toBe(verdict);
  });

  it('cannot tell before the span has filled, nor where both ways look alike', () => {
    expect(readSlackTest(reading(4, { wound: 0.8 }), EXPECTED).verdict).toBe('cannot-tell-yet');
    expect(readSlackTest(reading(7), { asLaidOut: 6.8, wrongWay: 7.4 }).verdict).toBe('cannot-tell-yet');
  });

  it('never mistakes what is laid out right for the wrong way, whatever half turn is miscounted', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 35, max: 70, noNaN: true }),
        fc.double({ min: 80, max: 150, noNaN: true }),
        fc.constantFrom(-0.5, 0, 0.5),
        (reel, supply, miscount) => {
          const per = (diameter: number): number => 1000 / (Math.PI * diameter);
          const expected = {
            asLaidOut: per(supply) - per(reel),
            wrongWay: -per(supply) - per(reel),
          };
          const seen = Math.abs(expected.asLaidOut) * slackShare(6, 1.5) + miscount;
          const { verdict } = readSlackTest(reading(Math.max(0, seen)), expected);
          expect(verdict).not.toBe('wrong-way');
          expect(verdict).not.toBe('neither');
        },
      ),
    );
  });
});
