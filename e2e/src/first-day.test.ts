import { fileURLToPath } from 'node:url';
import type { Piece } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { violations } from './axe';
import { Browser } from './browser';
import { Ask } from './faults/ask';
import { Shop } from './faults/shop';

let shop: Shop;
let browser: Browser;
beforeAll(async () => {
  shop = await Shop.open();
  await new Ask(shop.address).patiently('GET', '/sign-in');
  browser = await Browser.open(shop.screens);
});
afterAll(async () => {
  await browser.close();
  await shop.close();
});
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await browser.keepPicture(task.name);
});

/** What was pressed: letters and figures, and all other keys. */
const pressed = { typed: 0, other: 0 };
const type = (text: string): Promise<void> => {
  pressed.typed += text.length;
  return browser.press(text);
};
const key = (...keys: string[]): Promise<void> => {
  pressed.other += keys.length;
  return browser.press(...keys);
};
const at = (address: RegExp, what: string): Promise<boolean> =>
  browser.until(async () => address.test(await browser.driver.getCurrentUrl()), what);
const fieldNow = (label: string): Promise<boolean> =>
  browser.until(
    () =>
      browser.driver.executeScript<boolean>(
        'const one = document.activeElement; return (one.ariaLabel ?? one.labels?.[0]?.innerText ?? one.innerText).trim().startsWith(arguments[0])',
        label,
      ),
    `the keyboard is at "${label}"`,
  );

describe('the first day', () => {
  it('begins with the manager and the country', async () => {
    await browser.go('/');
    await fieldNow('Name');
    await type('Odile');
    await key(Key.TAB);
    await type('tern-1931');
    await key(Key.TAB);
    await type('germ');
    await key(Key.TAB, Key.ENTER);
    await at(/\/(day|bags)/, 'the shop opens');
    expect(pressed).toEqual({ typed: 18, other: 4 });
  });

  it.each([
    '/day',
    '/bags',
    '/bags/new',
    '/bench',
    '/rack',
    '/rack/tubs',
    '/rack/recycling',
    '/rack/count',
    '/rack/cuts',
    '/rack/order',
    '/reels',
    '/reels/book',
    '/reels/due',
    '/reels/comebacks',
    '/house/exceptions',
    '/house/benches',
    '/house/changes',
    '/house/unread',
    '/bags/messages',
  ])('%s: axe finds nothing while the shop is empty', async (path) => {
    await browser.go(path);
    await browser.find('main h1');
    expect(await violations(browser)).toBe('');
  });

  it.each([
    ['comma.csv', 2],
    ['semicolon.csv', 2],
    ['tabs.txt', 2],
    ['sheet.xlsx', 2],
  ])('takes %s as it is', async (name, pieces) => {
    await browser.go('/rack/files/stock-list');
    const file = await browser.find('ys-stock-list-page input[type=file]');
    await file.sendKeys(fileURLToPath(new URL(`../lists/${name}`, import.meta.url)));
    await browser.click(`Import ${String(pieces)} pieces`);
    await browser.text(`Imported: ${String(pieces)} pieces and ${String(pieces)} new lines.`, 'p');
  });

  it('has all of it on the rack then, each with its metres', async () => {
    const pieces = await browser.api<Piece[]>('/pieces');
    expect(
      pieces.map(({ product, lengthMm }) => [product.name, product.diameter.toFixed(3), lengthMm]).sort(),
    ).toEqual([
      ['Clear leader fluorocarbon', '0.457', 182_880],
      ['Clear leader fluorocarbon', '0.559', 182_880],
      ['Clear nylon 0.26', '0.260', 1_200_000],
      ['Green braid 0,20', '0.200', 1_500_000],
      ['Grey braid 0,16', '0.160', 1_500_000],
      ['Smoke nylon 0.25', '0.250', 3_000_000],
      ['Smoke nylon 12 thou', '0.305', 914_400],
      ['Smoke nylon 14 thou', '0.356', 914_400],
    ]);
  });

  it('books two reels with few keys', async () => {
    pressed.typed = pressed.other = 0;
    for (const [customer, reel, rating, main, length, backing] of [
      ['Ysolde Mark', 'Moorhen 3000', '208x0.25', 'clear 26', '120', 'smoke 25'],
      ['Brun Ockley', 'Dabchick 2500', '8/150 yd', 'grey 16', '100', 'smoke 25'],
    ] as const) {
      await browser.go('/day');
      await browser.find('h1');
      await key('n');
      await fieldNow('Customer');
      await type(customer);
      await key(Key.ENTER);
      await fieldNow('Reel');
      await type(reel);
      await key(Key.ENTER);
      await fieldNow('Rating 1');
      await type(rating);
      await key(Key.ENTER);
      await fieldNow('Main line');
      await type(main);
      await key(Key.ENTER, Key.ENTER);
      await fieldNow('How much main');
      await type(length);
      await key(Key.ENTER);
      await fieldNow('Backing line');
      await type(backing);
      await key(Key.ENTER);
      await browser.find('ys-plan-view pattern');
      await key(Key.ENTER);
      await fieldNow('Book it in');
      await key(Key.ENTER);
      await at(/\/bags\/\d+$/, 'the bag’s page opens');
    }
    expect(pressed.typed).toBeLessThanOrEqual(110);
    expect(pressed.other).toBeLessThanOrEqual(20);
    // Who is signed in was asked before anybody was.
    expect((await browser.complaints()).filter((one) => !one.includes('401'))).toEqual([]);
  });
});
