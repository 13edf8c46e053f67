// Takes a picture of each main view of the running demo into the folder named first.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { BagRow, Comeback, Page, Reel, ReelRow } from '@yard-spool/contract';
import { By, Key } from 'selenium-webdriver';
import { Browser } from './browser';
import { clockScript } from './shop-clock';

const [folder = 'docs/screenshots'] = process.argv.slice(2);
const browser = await Browser.open();
await browser.beforeEachPage(clockScript(Number(process.env.YARD_SPOOL_AHEAD ?? 0)));

/** Waits until nothing is on its way any more, fonts are there, and nothing has moved for two frames. */
async function settle(): Promise<void> {
  await browser.driver.wait(
    async () => (await browser.driver.findElements(By.css('ys-load-state [aria-live]'))).length === 0,
    60_000,
    'something is still being fetched',
  );
  await browser.driver.executeAsyncScript(
    'const done = arguments[0]; document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => done())))',
  );
}

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

/** Opens a view and takes it once the day's order has come in, which the words are of. */
async function orderedView(name: string, path: string, words: string): Promise<void> {
  await browser.go(path);
  await browser.text(words);
  await picture(name);
}

/** A bag of a customer, whichever number it has today. */
async function bagOf(customer: string, group: 'waiting' | 'filled' = 'waiting'): Promise<BagRow> {
  const find = encodeURIComponent(customer);
  const { rows } = await browser.api<Page<BagRow>>(`/bags?group=${group}&find=${find}`);
  const [bag] = rows;
  if (!bag) throw new Error(`The demo has no such bag of ${customer}.`);
  return bag;
}

/** The reel of a kind that was filled last. */
async function lastOf(kind: string): Promise<string> {
  const { rows } = await browser.api<Page<ReelRow>>(`/reels?q=${encodeURIComponent(kind)}`);
  const of = rows.filter(({ label, filledAt }) => label === kind && filledAt !== null);
  const last = of.reduce((a, b) => ((a.filledAt ?? '') > (b.filledAt ?? '') ? a : b));
  return last.tag;
}

mkdirSync(folder, { recursive: true });
try {
  await browser.driver.get(`${browser.address}/sign-in`);
  await browser.find('[data-test=to-try]');
  await picture('sign-in');
  await browser.signIn();
  await view('day', '/day', 'ys-day-row');
  await orderedView('bags', '/bags', 'in hand');
  await view('bag', `/bags/${String((await bagOf('Wenna Fairholt')).number)}`, 'ys-plan-view pattern');
  await orderedView('bench-list', '/bench', 'Show all that waits');
  const [pike] = (await bagOf('Inshore Pike League')).jobs;
  await view('bench', `/bench/${String(pike?.runId)}`, 'ys-spool-section pattern');
  const [counter] = (await bagOf('Bastian Okerlind')).jobs;
  await browser.go(`/bench/${String(counter?.runId)}`);
  await (await browser.field('Counter reads at the mark')).sendKeys('25', Key.ENTER);
  await browser.find('[data-test=counter-answer]');
  await browser.find('ys-counter-chart canvas');
  await picture('counter');
  await view('rack', '/rack', 'ys-piece-ledger tbody tr');
  await browser.go('/rack/cuts');
  await browser.find('ys-cuts-page button.go:not([disabled])');
  await picture('cuts');
  const filled = await bagOf('Wenna Fairholt', 'filled');
  await view('paper', `/paper/hand-back/${String(filled.number)}`, '[data-test=paper]');
  await view('reel', `/reels/${await lastOf('Deepholm 50')}`, 'ys-spool-section pattern');
  const matched = await lastOf('Holmtroll 30 counter');
  await view('counter-record', `/reels/${matched}`, 'ys-counter-chart canvas');
  const { rows: back } = await browser.api<Page<Comeback>>('/comebacks?which=all');
  const looped = back.find(({ complaint }) => complaint === 'loops');
  const about = `tag=${looped?.tag ?? ''}&fill=${String(looped?.fillId)}`;
  await view('fault', `/reels/fault?${about}&say=loops`, '[data-test=causes] li');
  await view('comebacks', '/reels/comebacks', '[data-test=stands-out] p, [data-test=stands-out] details');
  const { customer } = await browser.api<Reel>(`/reels/${matched}`);
  await view('customer', `/reels/customer/${String(customer.id)}`, '[data-test=reel-of-customer]');
  await view('search', '/reels?q=smoke', 'ys-found-list li');
  await browser.go('/bags/question');
  await browser.find('#reel');
  await browser.fill('Reel', 'sker');
  await browser.find('#reel-option-0');
  await browser.press(Key.ENTER);
  await browser.choose('Main line', 'Moss braid 0.19, any piece');
  await browser.fill('How much main', '120 m');
  await browser.find('ys-plan-view pattern');
  await picture('question');
  await browser.go('/bags/new');
  await browser.fill('Customer', 'Wenna');
  await browser.find('#customer-option-0');
  await browser.press(Key.ENTER);
  await browser.fill('Reel', 'Lowtide 2500');
  await browser.fill('Gear ratio', '5.2:1');
  await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('208 x 0.25');
  await (await browser.find('[aria-label^="Rating 2"]')).sendKeys('145 x 0.30');
  await browser.fill('Lip diameter', '46.2 mm');
  await browser.fill('Width', '16.4 mm');
  await browser.choose('Main line', 'N-207');
  await browser.fill('How much main', '120 m');
  await browser.choose('Backing line', 'S-034');
  await browser.find('ys-plan-view pattern');
  await picture('book-in');
  await browser.driver.manage().deleteAllCookies();
  await browser.signIn('Tova', 'eider-41');
  await browser.go('/house/rules/level');
  await (await browser.text('Flush with the lip', 'label')).click();
  await browser.find('[data-test=preview-reel]');
  await picture('house-rules');
} finally {
  await browser.close();
}
