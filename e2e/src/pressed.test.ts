import { Key } from 'selenium-webdriver';
import { describe, it } from 'vitest';
import type { Browser } from './browser';
import { filledReel, journey } from './journey';

let browser: Browser;
journey((opened) => ({ browser } = opened));

describe('what is pressed where nothing is typed', () => {
  it('by a scanner opens the reel it read, and no shortcut of the screen sees its keys', async () => {
    const tag = await filledReel(browser);
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    // The first key would book a bag in, the digits would choose.
    await browser.press(...Array.from(tag), Key.ENTER);
    await browser.until(
      async () => (await browser.driver.getCurrentUrl()).endsWith(`/reels/${tag}`),
      'the reel comes up',
    );
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    await browser.press(...Array.from('n-207'), Key.ENTER);
    await browser.text('For “n-207”', 'h2');
  });

  it('is a single key’s: it leads to the bag that was begun, and puts the keyboard where it was left', async () => {
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.focused('customer');
    const byKey = async (): Promise<void> => {
      await browser.go('/bags');
      await browser.find('ys-bag-list li');
      await browser.press('n');
    };
    await byKey();
    await browser.focused('customer');
    await browser.press(...Array.from('Somebody'));
    await byKey();
    await browser.focused('reel');
    await browser.click('Start over');
  });
});
