import jsQR from 'jsqr';
import { describe, expect, it } from 'vitest';
import type { Message, Page } from '@yard-spool/contract';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
journey((opened) => {
  ({ browser } = opened);
});

/** Pixels of the first page that is shown, as the browser drew it. */
const pixels = (): Promise<{ data: number[]; width: number; height: number }> =>
  browser.driver.executeAsyncScript(`
    const done = arguments[0];
    const picture = document.querySelector('[data-test=paper]');
    picture.decode().then(() => {
      const canvas = document.createElement('canvas');
      [canvas.width, canvas.height] = [picture.naturalWidth, picture.naturalHeight];
      const drawn = canvas.getContext('2d');
      drawn.drawImage(picture, 0, 0);
      const { data, width, height } = drawn.getImageData(0, 0, canvas.width, canvas.height);
      done({ data: [...data], width, height });
    });
  `);
const printed = async (): Promise<string> => (await fetch(process.env.YARD_SPOOL_PRINTER_PANEL ?? '')).text();
const paper = async (way: 'in' | 'out'): Promise<void> => {
  await fetch(`${process.env.YARD_SPOOL_PRINTER_PANEL ?? ''}/?paper=${way}`, { method: 'POST' });
};

describe('a tag', () => {
  it('is looked at, in the label’s size, read by a scanner off the screen, and sent to the label printer', async () => {
    await browser.go('/reels/R-0001');
    await (await browser.text('Print its tag', 'a')).click();
    await browser.find('[data-test=paper]');
    const { data, width, height } = await pixels();
    expect(jsQR(Uint8ClampedArray.from(data), width, height)?.data).toBe('R-0001');
    const before = (await printed()).match(/<li /g)?.length ?? 0;
    await browser.click('Send it to the label printer');
    await browser.text('the printer took one page');
    expect((await printed()).match(/<li /g)).toHaveLength(before + 1);
  });

  it('that the printer does not take is said not to be printed, and printed again once there is paper', async () => {
    await paper('out');
    try {
      await browser.click('Send it to the label printer');
      await browser.text('does not answer. Look at its power, its paper');
    } finally {
      await paper('in');
    }
    await browser.click('Send it to the label printer');
    await browser.text('the printer took one page');
  });
});

describe('messages', () => {
  it('are shown, edited, and marked as sent; they wait again where that was a mistake', async () => {
    await browser.go('/bags/messages');
    await browser.text('Wenna Fairholt');
    const words = await browser.find('textarea[aria-label="Text for Wenna Fairholt"]');
    await words.clear();
    await words.sendKeys('Your reel is ready, Wenna.');
    await browser.click('It was sent');
    await browser.text('Nobody has to be told anything');
    const { rows } = await browser.api<Page<Message>>('/messages?state=done');
    expect(rows[0]).toMatchObject({
      text: 'Your reel is ready, Wenna.',
      state: 'sent',
      done: { by: 'Joss' },
    });
    await (await browser.text('Done with', 'label')).click();
    await browser.click('It waits again');
    await (await browser.text('To be sent', 'label')).click();
    await browser.text('Bag 3 is ready');
  });
});
