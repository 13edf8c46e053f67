import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSlackTest, slackLookDue, slackShare, type SlackReading } from './slack-test';
import { said } from '../testing/examples';
import { BELIEVED, slackTold } from '../testing/slack-worlds';
import { perMetre } from './twist-ledger';

const SUPPLY = { supplyCoil: 3.18 };
const EXPECTED = { ...SUPPLY, asLaidOut: -3.89, turnedOver: -10.26, rotor: true };
const ROLLING = { ...SUPPLY, asLaidOut: -7.07, turnedOver: null, rotor: true };
const RIG = { ...SUPPLY, asLaidOut: 0, turnedOver: -14.15, rotor: true };
const STILL = { ...SUPPLY, asLaidOut: 0, turnedOver: null, rotor: false };
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
    [6, EXPECTED, 'slipping'],
    [8, EXPECTED, 'unsure'],
    [16, EXPECTED, 'unsure'],
    [7, ROLLING, 'as-laid-out'],
    [5, ROLLING, 'less'],
    [9, ROLLING, 'unsure'],
    [3, EXPECTED, 'as-laid-out'],
    [9, EXPECTED, 'wrong-way'],
    [0, ROLLING, 'limp'],
    [14, ROLLING, 'slipping'],
    [0, RIG, 'as-laid-out'],
    [14, RIG, 'wrong-way'],
    [4, RIG, 'slipping'],
    [7, RIG, 'unsure'],
    [0, STILL, 'as-laid-out'],
    [3, STILL, 'dragging'],
  ] as const)('reads %s turns a metre against %o as %s', (twist, expected, verdict) => {
    const said = readSlackTest(reading(twist), expected);
    expect(said.verdict).toBe(verdict);
    expect(said.good).toBe(['limp', 'less', 'as-laid-out'].includes(verdict));
  });

  it('says that the supply stands the wrong way round where that was seen and shows', () => {
    const against = { ...SUPPLY, asLaidOut: -10.26, turnedOver: -3.89, rotor: true };
    expect(readSlackTest(reading(10), against).verdict).toBe('wrong-way');
    expect(said(readSlackTest(reading(3.9), against).sentence)).toMatch(/most likely nothing is wrong/);
    expect(readSlackTest(reading(8), against).verdict).toBe('wrong-way');
    const limp = readSlackTest(reading(0), against);
    expect(said(limp.sentence)).toMatch(/^Cannot tell yet.*Watch both turns once more/);
  });

  it('calls no line limp that shows two turns a metre or more where its layout puts in less than eight', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.option(fc.double({ min: -30, max: 30, noNaN: true })),
        fc.double({ min: 2, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 60, noNaN: true }),
        (asLaidOut, turnedOver, twist, wound) => {
          const expected = { ...SUPPLY, asLaidOut, turnedOver, rotor: true };
          const said = readSlackTest(reading(twist, { wound }), expected);
          expect(said.verdict).not.toBe('limp');
        },
      ),
    );
  });

  it('names no fault of limp line, whatever the layout and however early, and calls it good where it was laid out right', () => {
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
          const expected = { ...SUPPLY, asLaidOut, turnedOver, rotor };
          const { good, verdict } = readSlackTest(reading(twist, { wound }), expected);
          expect(good || verdict === 'unsure').toBe(true);
          if (Math.abs(asLaidOut) === least) expect(good).toBe(true);
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
          const expected = {
            supplyCoil: perMetre(1, supply),
            asLaidOut: perMetre(1, supply) - perMetre(1, reel),
            turnedOver: perMetre(-1, supply) - perMetre(1, reel),
            rotor: true,
          };
          const seen = Math.abs(expected.asLaidOut) * slackShare(6, 1.5) + miscount;
          const { verdict, good } = readSlackTest(reading(Math.max(0, seen)), expected);
          expect(verdict).not.toBe('wrong-way');
          expect(good || (miscount > 0 && verdict === 'unsure')).toBe(true);
        },
      ),
    );
  });

  it.each([
    ['as believed', BELIEVED],
    ['three in ten seen wrong', { ...BELIEVED, seenWrong: 0.3 }],
    ['one drag in seven slips', { ...BELIEVED, slips: 0.14 }],
    ['one supply in seven drags', { ...BELIEVED, drags: 0.14 }],
    ['a third of the line is limp', { ...BELIEVED, limp: 0.35 }],
    ['mostly braid', { ...BELIEVED, braid: 0.6 }],
  ])('commits itself four times in five and is wrong one time in twenty at most: %s', (_name, world) => {
    const { looks, told, wrong } = slackTold(world, 1500, 7);
    expect(told / looks).toBeGreaterThan(0.8);
    expect(wrong / told).toBeLessThan(0.05);
  });

  it.each([
    [-3.89, -10.26],
    [-10.26, -3.89],
    [0, -14.15],
  ])('of %s as said and %s turned over tells what is true or cannot tell', (asLaidOut, turnedOver) => {
    const expected = { ...SUPPLY, asLaidOut, turnedOver, rotor: true };
    for (const turned of [false, true])
      for (const shown of [0.5, 0.7, 0.85, 1])
        for (const braid of [false, true]) {
          const twist = Math.abs(turned ? turnedOver : asLaidOut) * shown * slackShare(6, 1.5);
          const { verdict, good } = readSlackTest(reading(Math.round(2 * twist) / 2, { braid }), expected);
          const worse = turned === Math.abs(turnedOver) > Math.abs(asLaidOut);
          const told = worse ? verdict === 'wrong-way' : good;
          expect({ turned, shown, braid, told: told || verdict === 'unsure' }).toMatchObject({ told: true });
        }
  });
});
