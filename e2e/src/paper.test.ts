import jsQR from 'jsqr';
import { By } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Message, Page, Reel } from '@yard-spool/contract';
import type { Browser } from './browser';
import { journey } from './journey';
import { shopHere } from './shop-here';

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
const printed = async (): Promise<string> => (await fetch(shopHere('YARD_SPOOL_PRINTER_PANEL'))).text();
const paper = async (way: 'in' | 'out'): Promise<void> => {
  await fetch(`${shopHere('YARD_SPOOL_PRINTER_PANEL')}/?paper=${way}`, { method: 'POST' });
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
  it('are shown, edited, and marked: only then are they done with', async () => {
    const { spools, customer } = await browser.api<Reel>('/reels/R-0001');
    await browser.post('/messages', { fillId: spools[0]?.on?.fillId });
    await browser.go('/bags/messages');
    // Others may wait as well: what is pressed is this one's.
    const row = `//li[.//a[contains(., 'R-0001 is due')]]`;
    await browser.text('R-0001 is due', 'a');
    const words = await browser.driver.findElement(By.xpath(`${row}//textarea`));
    expect(await words.getAttribute('value')).toContain(`Hello ${customer.name}`);
    await words.clear();
    await words.sendKeys('Come by, it is due.');
    await browser.driver.findElement(By.xpath(`${row}//button[contains(., 'Discard')]`)).click();
    await browser.until(
      async () => (await browser.driver.findElements(By.xpath(row))).length === 0,
      'the message waits no more',
    );
    const { rows } = await browser.api<Page<Message>>('/messages?state=done');
    expect(rows.find(({ text }) => text === 'Come by, it is due.')).toMatchObject({
      tag: 'R-0001',
      state: 'dropped',
      done: { by: 'Joss' },
    });
  });
});
