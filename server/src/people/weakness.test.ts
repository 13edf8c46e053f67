import { describe, expect, it } from 'vitest';
import { weaknessOf } from './weakness';

const of = (passcode: string): string | null => weaknessOf({ passcode, about: ['Tova', 'Heron Quay'] });

describe('a passcode', () => {
  it.each([
    ['letmein1', /first anybody would try/],
    ['Passw0rd', /first anybody would try/],
    ['20262026', /run of signs/],
    ['14-05-1987', /date/],
    ['14051987', /date|first anybody/],
    ['summer2026', /common word|date or a year/],
    ['Tova1987', /name or a word of this shop|date or a year/],
    ['spooling', /first anybody|common word|word of this shop/],
    ['braidline', /word of this shop|common word/],
    ['qwertyui', /first anybody|run of signs/],
    ['abcabcabc', /run of signs/],
    ['herring1', /common word or name/],
  ])('that anybody would guess is none: %s', (passcode, why) => {
    expect(of(passcode)).toMatch(why);
    expect(of(passcode)).toContain('Choose another');
  });

  it.each(['herring-gull-9', 'bent spindle 9', 'k7#pQ2', 'plover-7', 'blau-moos-44'])(
    'that outlasts the tries there are is one: %s',
    (passcode) => {
      expect(of(passcode)).toBeNull();
    },
  );
});
