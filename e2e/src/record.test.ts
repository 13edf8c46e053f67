import type { Reel } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let tag = '';
journey(
  async ({ browser: opened, hand }: { browser: Browser; hand: BenchHand }) => {
    browser = opened;
    const lines = { main: 'JR-207', length: '100 m', backing: 'JR-204' };
    const reel = { name: 'Kept 3000', gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm' };
    await hand.book({ ...reel, ...lines, customer: 'Kept Record' });
    await hand.until('Tag and close', { 'Read backing depth': () => hand.done() });
    tag = await hand.close();
  },
  { brings: { 'JR-204': 'N-204', 'JR-207': 'N-207' } },
);

const reel = (): Promise<Reel> => browser.api<Reel>(`/reels/${tag}`);
const look = async (words: string): Promise<void> => {
  // A key is heard once the screen knows who is signed in.
  await browser.find('input[name=tag]');
  await browser.press('/');
  await browser.driver.actions().sendKeys(words, Key.ENTER).perform();
};

describe('the record of a reel', () => {
  it('is put right where it is wrong, and says both', async () => {
    await browser.go(`/reels/${tag}`);
    await browser.click('Correct the record');
    await browser.fill('It was', '2.4 mm');
    await browser.fill('Why', 'read off the wrong edge');
    await browser.press(Key.ENTER);
    await browser.text('Put right', 'h3');
    expect((await reel()).fills[0]).toMatchObject({ gapRead: 2.4, corrections: 1 });
    await browser.text('as put right', 'p');
  });

  it('takes trips in one touch, and then is due, with a text for its customer', async () => {
    await (await browser.text('25', 'button')).click();
    await browser.text('Due since', 'h2');
    await browser.go('/reels/due');
    await browser.text(tag, 'b');
    await browser.click('Mark as told');
    await browser.until(
      async () => !(await browser.shown('ys-due-page')).includes(tag),
      'it is out of the way',
    );
    expect((await reel()).spools[0]?.on?.toldAt).not.toBeNull();
  });

  it('that comes back is booked against its fill, and settled', async () => {
    await browser.go(`/reels/${tag}`);
    await browser.click('Record a comeback');
    await browser.choose('What the customer sees', 'throws loops');
    await browser.fill('In their words', 'loops off the lip since Friday');
    await browser.press(Key.ENTER);
    await browser.text('What is wrong with it', 'h1');
    await browser.go(`/reels/${tag}`);
    await browser.click('Write down what was found');
    await browser.choose('It comes down to', 'our winding');
    await browser.fill('What was done', 'four metres off');
    await browser.press(Key.ENTER);
    await browser.text('It came down to our winding', 'p');
    await browser.go('/reels/comebacks');
    await browser.text('four metres off', 'span');
  });

  it('is found by anything that tells it, and by a tag it had', async () => {
    await look('loops off lip friday');
    await browser.text('In notes', 'h2');
    await look('kept record');
    await (await browser.text('Kept Record', 'b')).click();
    await browser.text('What they like', 'h2');
    await (await browser.find('[data-test=reel-of-customer]')).click();
    await browser.click('Change tag, name or owner');
    await browser.fill('Tag', 'KEPT-1');
    await browser.press(Key.ENTER);
    await browser.text('KEPT-1', 'h1');
    await browser.text(`Also tagged ${tag}`, 'p');
    await browser.go('/bags');
    await look(tag);
    await browser.text('KEPT-1', 'h1');
    await look('JR-207');
    await browser.text('Pieces on the rack', 'h2');
  });

  it('is a recipe: as before in one key, for anybody', async () => {
    await browser.go('/reels/book');
    await browser.fill('Find', 'Kept 3000');
    await browser.text('Kept 3000', 'h2');
    await browser.find('[data-test=recipe]');
    // The field lets go of the keys first.
    await (await browser.text('What has been wound on it', 'h2')).click();
    await browser.driver.executeScript('document.activeElement?.blur()');
    await browser.press('b');
    await browser.find('ys-plan-view pattern');
    expect(await (await browser.field('Reel')).getAttribute('value')).toBe('Kept 3000');
    expect(await (await browser.field('Customer')).getAttribute('value')).toBe('');
    await browser.click('Start over');
  });
});
