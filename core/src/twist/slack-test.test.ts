import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSlackTest, slackLookDue, slackShare, type SlackReading } from './slack-test';
import { said } from '../testing/examples';

const EXPECTED = { asLaidOut: -3.89, turnedOver: -10.26, rotor: true };
const ROLLING = { asLaidOut: -7.07, turnedOver: null, rotor: true };
const RIG = { asLaidOut: 0, turnedOver: -14.15, rotor: true };
const STILL = { asLaidOut: 0, turnedOver: null, rotor: false };
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
    [4, EXPECTED, 'as-laid-out'],
    [0, EXPECTED, 'limp'],
    [1, EXPECTED, 'limp'],
    [10, EXPECTED, 'wrong-way'],
    [7, EXPECTED, 'slipping'],
    [16, EXPECTED, 'slipping'],
    [7, ROLLING, 'as-laid-out'],
    [5, ROLLING, 'less'],
    [9, ROLLING, 'slipping'],
    [3, EXPECTED, 'as-laid-out'],
    [9, EXPECTED, 'wrong-way'],
    [0, ROLLING, 'limp'],
    [14, ROLLING, 'slipping'],
    [0, RIG, 'as-laid-out'],
    [14, RIG, 'wrong-way'],
    [7, RIG, 'slipping'],
    [0, STILL, 'as-laid-out'],
    [6, STILL, 'dragging'],
  ] as const)('reads %s turns a metre against %o as %s', (twist, expected, verdict) => {
    const said = readSlackTest(reading(twist), expected);
    expect(said.verdict).toBe(verdict);
    expect(said.good).toBe(['limp', 'less', 'as-laid-out'].includes(verdict));
  });

  it('says that the supply stands the wrong way round where that was seen and shows', () => {
    const against = { asLaidOut: -10.26, turnedOver: -3.89, rotor: true };
    expect(readSlackTest(reading(10), against).verdict).toBe('wrong-way');
    expect(readSlackTest(reading(3.9), against).good).toBe(true);
    expect(readSlackTest(reading(0), against).verdict).toBe('limp');
    expect(readSlackTest(reading(6.5), against).verdict).toBe('wrong-way');
  });

  it('calls no line limp that shows two turns a metre or more where its layout puts in less than eight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.option(fc.double({ min: -30, max: 30, noNaN: true })),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (asLaidOut, turnedOver, twist, wound) => {
          const said = readSlackTest(reading(twist, { wound }), { asLaidOut, turnedOver, rotor: true });
          expect(said.verdict).not.toBe('limp');
        },
      ),
    );
  });

  it('never calls limp line a fault, whatever the layout and however early', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.option(fc.double({ min: -30, max: 30, noNaN: true })),
        fc.boolean(),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (asLaidOut, turnedOver, rotor, wound, of) => {
          const least = Math.min(Math.abs(asLaidOut), Math.abs(turnedOver ?? asLaidOut));
          const twist = of * least * slackShare(wound, 1.5);
          expect(readSlackTest(reading(twist, { wound }), { asLaidOut, turnedOver, rotor }).good).toBe(true);
        },
      ),
    );
  });

  it('says when it was looked at early, and is no less good for that', () => {
    const early = readSlackTest(reading(1, { wound: 0.8 }), EXPECTED);
    expect(early.good).toBe(true);
    expect(said(early.sentence)).toMatch(/early: look once more/);
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
            turnedOver: -per(supply) - per(reel),
            rotor: true,
          };
          const seen = Math.abs(expected.asLaidOut) * slackShare(6, 1.5) + miscount;
          const { verdict, good } = readSlackTest(reading(Math.max(0, seen)), expected);
          expect(verdict).not.toBe('wrong-way');
          expect(good).toBe(true);
        },
      ),
    );
  });
});
