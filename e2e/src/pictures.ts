// Takes a picture of each main view of the running demo into the folder named first.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Key } from 'selenium-webdriver';
import { Browser } from './browser';

const [folder = 'docs/screenshots'] = process.argv.slice(2);
const browser = await Browser.open();

/** Waits until fonts are there and nothing has moved for two frames. */
const settle = (): Promise<void> =>
  browser.driver.executeAsyncScript(
    'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))',
  );

async function picture(name: string): Promise<void> {
  await settle();
  writeFileSync(join(folder, `${name}.png`), Buffer.from(await browser.driver.takeScreenshot(), 'base64'));
}

/** Opens a view and takes it once its last part is there. */
async function view(name: string, path: string, ready: string): Promise<void> {
  await browser.go(path);
  await browser.find(ready);
  await picture(name);
}

mkdirSync(folder, { recursive: true });
try {
  await browser.signIn();
  await view('bags', '/bags', 'ys-bag-list li');
  await view('bag', '/bags/6', 'ys-plan-view pattern');
  await view('bench', '/bench/5', 'ys-spool-section pattern');
  await view('rack', '/rack', 'ys-rack-page tbody tr');
  await view('reel', '/reels/R-0004', 'ys-spool-section pattern');
  await browser.go('/bags/new');
  await browser.fill('Customer', 'Wenna');
  await browser.find('#customer-option-0');
  await browser.press(Key.ENTER);
  await browser.fill('Reel', 'Skerrywind 3000, deep spool');
  await browser.fill('Gear ratio', '5.2:1');
  await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('208 x 0.25');
  await (await browser.find('[aria-label^="Rating 2"]')).sendKeys('145 x 0.30');
  await browser.fill('Lip Ø', '46.2 mm');
  await browser.fill('Width', '16.4 mm');
  await browser.choose('Main line', 'N-207');
  await browser.fill('Length wanted', '120 m');
  await browser.choose('Backing line', 'S-034');
  await browser.find('ys-plan-view pattern');
  await picture('book-in');
} finally {
  await browser.close();
}
