import fc from 'fast-check';
import { expect, it } from 'vitest';
import { asItWas, harmless } from './harmless';

it('nothing a spreadsheet would run is left at the beginning of a cell, in whatever country', () => {
  for (const text of [
    '=1+1',
    '-1+1',
    '+1',
    '@SUM(A1)',
    '\t=1',
    'a;=1',
    'a,-1',
    'a|@x',
    'a\n=1',
    ' =1',
    "'=1",
  ])
    expect(harmless(text), text).toMatch(/'[=+\-@]/);
  for (const text of ['N-207', 'moss braid 0.19', 'a=b', 'quay 4, berth 11', "Nell's", ''])
    expect(harmless(text)).toBe(text);
});

it('comes back the same, whatever it was', () => {
  const nasty = fc.string({
    unit: fc.constantFrom("'", '=', '-', '+', '@', ';', ',', '|', ' ', '\t', '\r', '\n', 'a', '1'),
  });
  fc.assert(
    fc.property(nasty, (text) => {
      expect(asItWas(harmless(text))).toBe(text);
    }),
  );
  fc.assert(
    fc.property(nasty, (text) => {
      expect(harmless(text)).not.toMatch(/(^|[;,\t|\r\n]) *[=+\-@]/);
    }),
  );
});
