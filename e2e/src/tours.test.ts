import { By, Key } from 'selenium-webdriver';
import { expect, describe, it } from 'vitest';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JW-204': 'N-204', 'JW-207': 'N-207', 'JW-220': 'N-220' },
});

const all = (css: string) => browser.driver.findElements(By.css(css));
const gone = (css: string) => browser.until(async () => (await all(css)).length === 0, `${css} is gone`);
const step = () => browser.shown('[data-test=tour-step]');
const begin = async (tour: string): Promise<void> => {
  await browser.press('?');
  await browser.find('[data-test=screen-help]');
  await browser.click(tour);
};
const comes = (words: string) =>
  browser.until(async () => (await step()).includes(words), `the tour says ${words}`);

describe('the first five minutes', () => {
  it('begin at the sign-in, and lead over the real screens to a bag of three reels', async () => {
    await browser.go('/bags');
    await browser.click('sign out');
    await browser.find('[data-test=to-try]');
    await browser.click('Book in three reels');
    await comes('Book a bag in from here.');
    await browser.find('a[href="/bags/new"][data-tour-mark]');
    await browser.press('n');
    await comes('Whose reels are they?');
    await browser.click('Start over');
    await (await browser.find('#customer')).sendKeys('Wen');
    await browser.find('#customer-option-0');
    await browser.press(Key.ENTER);
    await comes('Which reel?');
    await (await browser.find('#reel')).sendKeys('sker');
    await browser.find('#reel-option-0');
    await browser.press(Key.ENTER);
    await comes('Say the line');
    await browser.press(
      ...Array.from('clear n'),
      Key.TAB,
      ...Array.from('120'),
      Key.TAB,
      Key.TAB,
      Key.TAB,
      's',
      't',
      Key.TAB,
    );
    await comes('Two more of the same');
    for (const reel of [2, 3]) {
      await browser.driver.actions().keyDown(Key.ALT).sendKeys('l').keyUp(Key.ALT).perform();
      await browser.find(`[aria-label="Reel ${String(reel)} of the bag"][aria-pressed=true]`);
    }
    await comes('Book all of them in');
    await browser.pressWithControl(Key.ENTER);
    await comes('done.');
    expect(await browser.driver.getCurrentUrl()).toMatch(/\/bags\/\d+$/);
    await browser.click('Close');
    await gone('[data-test=tour-step], [data-tour-mark]');
  });

  it('are left at any time, and shown the way back by whoever wandered off', async () => {
    await browser.go('/rack');
    await browser.find('ys-length-rule svg');
    await browser.press('?');
    expect(await browser.shown('[data-test=screen-help]')).toContain('Every piece of line in the shop');
    await browser.click('Fill the one on bench 2');
    await comes('which bench this computer is at');
    await browser.until(
      async () => (await browser.driver.getCurrentUrl()).endsWith('/bench'),
      'it leads there',
    );
    await browser.go('/rack');
    await (await browser.text('Go there', 'a')).click();
    await browser.find('ys-bench-list');
    await browser.driver.navigate().refresh();
    await comes('which bench this computer is at');
    await browser.click('End the tour');
    await gone('[data-test=tour-step]');
  });

  it('say what a screen is for by its key, which closes it again', async () => {
    await browser.go('/reels/due');
    await browser.find('ys-due-page');
    await browser.press('?');
    expect(await browser.shown('[data-test=screen-help]')).toContain('Line that has been on');
    await browser.press(Key.ESCAPE);
    await gone('[data-test=screen-help]');
  });

  it('lead along the bench, from the one that is wound there to the reel’s own page', async () => {
    await hand.fill({
      customer: 'Walker Along',
      name: 'Walked 3000',
      gear: '5.2:1',
      rating: '210 x 0.25',
      lip: '46 mm',
      main: 'JW-207',
      length: '120 m',
      backing: 'JW-204',
    });
    await hand.booked();
    await begin('Fill the one on bench 2');
    await comes('which bench this computer is at');
    await browser.choose('This computer is at', 'Bench 2');
    await comes('Take a reel up');
    await browser.go(`/bags/${String(hand.bagNumber)}`);
    await browser.find('ys-plan-view pattern');
    await hand.onto();
    await comes('until the first layer is wound');
    await hand.until('Backing');
    await comes('The big number is what is left to wind');
    await browser.find('ys-winding-count[data-tour-mark]');
    await hand.count(Number(await browser.shown('[data-test=turns-to-go]')));
    await comes('Enter ends the layer');
    await hand.until('Tag and close');
    await hand.close();
    await comes('done.');
    await browser.click('Close');
  });

  it('lead through the matching of a counter, to the reels that are fished together', async () => {
    const customer = `Walkers ${String(Date.now())}`;
    await browser.go('/rack');
    await browser.find('ys-length-rule svg');
    await begin('Match the Grey Petrel');
    await comes('Take up a counter reel');
    await hand.book({
      customer,
      type: 'Trolling',
      name: 'Walked 30 counter',
      gear: '4.2:1',
      rating: '260 x 0.45',
      lip: '58 mm',
      main: 'JW-220',
      length: '150 m',
      backing: 'JW-204',
    });
    await comes('Walk the line out');
    await hand.until('Counter against tape');
    await browser.find('ys-counter-match-panel input[data-tour-mark]');
    const reads = async (reading: string): Promise<void> =>
      (await browser.field('Counter reads at the mark')).sendKeys(reading, Key.ENTER);
    await reads('31');
    await comes('how much line to add');
    await browser.press(Key.ENTER);
    await gone('[data-test=counter-answer]');
    await reads('30.0');
    await browser.text('It agrees', 'div');
    await browser.press(Key.ENTER);
    await comes('Now it is cut and closed');
    await hand.until('Tag and close');
    await hand.close();
    await comes('Counters that are fished together');
    await (await browser.text('Reels used as a set', 'a')).click();
    await comes('done.');
    await browser.click('Close');
  });
});
