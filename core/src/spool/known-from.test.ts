import { describe, expect, it } from 'vitest';
import { kindFillsAsObservations, type ClosedFill } from '../learn/learn';
import { BACKING, said } from '../testing/examples';
import { knownFrom } from './known-from';
import type { Observation } from './observation';

const FILL: ClosedFill = { layers: [{ line: BACKING, spoolTurns: 850 }], gap: 1.6, by: 'calliper' };
const PRINT: Observation = { kind: 'rating', length: 210, diameter: 0.25 };

describe('what a spool is known from', () => {
  it('is said by where it comes from', () => {
    expect(knownFrom([])).toBe('From what such reels usually are alone.');
    expect(knownFrom([PRINT])).toBe('From its print.');
    expect(
      knownFrom([
        PRINT,
        { ...PRINT, diameter: 0.3 },
        { kind: 'lip', diameter: 46 },
        { kind: 'width', width: 16 },
      ]),
    ).toBe('From its 2 prints; its lip, width as measured.');
    const own: Observation = { kind: 'depth', layers: FILL.layers, depth: 1.6, by: 'calliper' };
    expect(knownFrom([PRINT, own])).toBe('From its print; a depth read on this spool.');
  });

  it('a like reel is said with how nearly two of a kind are alike, nearer the more were filled', () => {
    const say = (fills: number): string =>
      said(knownFrom([PRINT, ...kindFillsAsObservations(Array.from({ length: fills }, () => FILL))]));
    expect(say(1)).toBe(
      'From its print; a fill of a reel like it: the next one comes out within 0.4 mm of it two times in three.',
    );
    expect(say(6)).toBe(
      'From its print; 6 fills of reels like it: the next one comes out within 0.3 mm of them two times in three.',
    );
  });
});
