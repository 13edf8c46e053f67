import { parseAmount, readPrints } from '@yard-spool/core';
import { openScreen } from '../testing/screen';
import { SAYINGS, WaysToSay } from './ways-to-say';

const ALLOWED = { length: { min: 1, max: 5000 }, depth: { min: 0, max: 60 } };

describe('how reels and line can be said', () => {
  it.each(SAYINGS.amounts)('%s is understood', (amount) => {
    expect(parseAmount(amount, 'metric', ALLOWED)).toMatchObject({ ok: true });
  });

  it.each(SAYINGS.amountsInYards)('%s is understood by who reads inches', (amount) => {
    expect(parseAmount(amount, 'imperial', ALLOWED)).toMatchObject({ ok: true });
  });

  it.each(SAYINGS.prints)('%s is read as a print', (print) => {
    expect(readPrints(print, { system: 'metric' })).toMatchObject({ ok: true });
  });

  it('stands where the plan will be', async () => {
    const { shown } = await openScreen(WaysToSay);
    for (const one of [...SAYINGS.prints, ...SAYINGS.amounts]) expect(shown()).toContain(one);
  });
});
