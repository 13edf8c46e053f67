import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { filledReel, journey } from './journey';

let browser: Browser;
/** A tag that is on somebody's reel. */
let tag: string;
journey(
  async (opened) => {
    ({ browser } = opened);
    tag = await filledReel(browser);
  },
  { brings: { 'JT-204': 'N-204', 'JT-207': 'N-207' } },
);

describe('when something is wrong', () => {
  it('a wrong passcode is told, and the name stays chosen', async () => {
    await browser.driver.manage().deleteAllCookies();
    await browser.go('/bags');
    await (await browser.text('Joss', 'button')).click();
    await browser.fill('Passcode', 'wrong-one');
    await (await browser.find('button.go')).click();
    await browser.text('Wrong passcode for this name', 'p');
    expect(await (await browser.text('Joss', 'button')).getAttribute('aria-pressed')).toBe('true');
    await browser.signIn();
  });

  it('a booking the server refuses keeps everything that was typed, through a reload too', async () => {
    await browser.go('/bags/new');
    await browser.fill('Customer', 'Other Person');
    await browser.fill('Reel', 'Somebody else’s reel');
    await browser.fill('Tag', tag);
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('210 x 0.25');
    await browser.choose('Main line', 'JT-207');
    await browser.fill('How much main', '120');
    await browser.choose('Backing line', 'JT-204');
    await browser.find('[data-test=plan-headline]');
    await (await browser.find('section:last-of-type button.go')).click();
    await browser.text(`Tag ${tag} is on another customer`, 'b');
    expect(await (await browser.field('Reel')).getAttribute('value')).toBe('Somebody else’s reel');
    await browser.driver.navigate().refresh();
    expect(await (await browser.field('Tag')).getAttribute('value')).toBe(tag);
    expect(await (await browser.field('How much main')).getAttribute('value')).toBe('120 m');
  });

  it('a field says what it takes and keeps what was typed', async () => {
    await browser.fill('Lip diameter', '460 mm');
    await browser.text('460 mm is outside what this takes: from 12 mm to 250 mm.', 'p');
    await (await browser.find('[aria-label^="Rating 2"]')).sendKeys('lots');
    await browser.text('"lots" is not a rating.', 'p');
    await (await browser.text('Start over', 'button')).click();
    expect(await (await browser.field('Lip diameter')).getAttribute('value')).toBe('');
  });

  it('the count goes on while the server is away, and reaches it afterwards', async () => {
    await browser.go('/bench');
    await (await browser.text('Brackwater', 'b')).click();
    const before = Number(await browser.shown('[data-test=turns-to-go]'));
    await browser.offline(true);
    await browser.press('+');
    await browser.press('+');
    await browser.text('The server is away', 'span');
    expect(Number(await browser.shown('[data-test=turns-to-go]'))).toBe(before - 2);
    await browser.offline(false);
    await browser.text('All saved', 'span');
    await browser.driver.navigate().refresh();
    expect(Number(await browser.shown('[data-test=turns-to-go]'))).toBe(before - 2);
    await browser.press('z', 'z');
    await browser.text('All saved', 'span');
  });

  it('a tag nobody has is told, and a tag opens its reel', async () => {
    await browser.go('/bags');
    await browser.find('h1');
    await browser.press('/');
    await browser.press('NOPE-9', Key.ENTER);
    await browser.text('Nothing here is called “NOPE-9”', 'p');
    await browser.press('/');
    await browser.press(tag.toLowerCase(), Key.ENTER);
    await browser.until(
      async () => (await browser.driver.getCurrentUrl()).endsWith(`/reels/${tag}`),
      'the reel opens',
    );
    await browser.go('/bags/99999');
    await browser.text('There is no bag 99999.', 'h1');
  });
});
