import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { PALETTE } from '@yard-spool/core';

it('is the one the screens are drawn in', () => {
  const sheet = readFileSync(new URL('../../../../web/src/styles.css', import.meta.url), 'utf8');
  const colours = [...sheet.matchAll(/^ {2}--color-([a-z-]+): (#[0-9a-f]{6});$/gm)].map(
    ([, name = '', colour = '']) => [name, colour],
  );
  expect(Object.fromEntries(colours)).toEqual(PALETTE);
  // A colour is written as one nowhere else in the sheet.
  expect(sheet.match(/#[0-9a-f]{3,8}\b/gi)).toHaveLength(colours.length);
});
