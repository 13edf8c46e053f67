import type { Bag, CutsPlan, Piece, SavedHouseRules } from '@yard-spool/contract';
import { Key, Origin, type WebElement } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { Browser } from './browser';
import { Ask } from './faults/ask';
import { bookBag, signIn } from './faults/setup';
import { Shop } from './faults/shop';

let shop: Shop;
let ask: Ask;
let browser: Browser;
let bag: Bag;
let long: Piece;
let remnant: Piece;

const receive = (code: string, product: object, metres: number, kind = 'bulk'): Promise<Piece> =>
  ask.patiently<Piece>('POST', '/pieces', { code, product, kind, place: 'Wall', lengthMm: 1000 * metres });
const line = (code: string, diameter: number): object => ({
  code,
  name: `Fault nylon ${String(diameter)}`,
  material: 'nylon',
  diameter,
  strengthKg: null,
  tint: '#aabbcc',
});

beforeAll(async () => {
  shop = await Shop.open();
  ask = new Ask(shop.address);
  await signIn(ask);
  const house = await ask.patiently<SavedHouseRules>('GET', '/house-rules');
  await ask.patiently('PUT', '/house-rules', { ...house, rules: { ...house.rules, soak: 'none' } });
  const backing = await receive('B-1', line('T-F-25', 0.25), 900);
  long = await receive('M-LONG', line('T-F-26', 0.26), 300);
  remnant = await receive('M-REST', { id: long.product.id }, 160, 'remnant');
  const soon = new Date(Date.now() + 48 * 3_600_000).toISOString();
  bag = await bookBag(ask, { backing, main: long }, soon);
  browser = await Browser.open(shop.screens);
  await browser.signIn('Faulty', 'bent-spindle-9');
});
afterAll(async () => {
  await browser.close();
  await shop.close();
});
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await browser.keepPicture(task.name);
});

const plan = async (): Promise<CutsPlan> => ask.patiently<CutsPlan>('GET', '/cuts');
const chip = (): Promise<WebElement> =>
  browser.find(`ys-piece-bar [data-off="${String(bag.jobs[0]?.id)}:main"]`);
/** The bar of a piece. */
const bar = (code: string): Promise<WebElement> => browser.text(code, 'ys-piece-bar');
const has = (code: string, words: string) =>
  browser.until(async () => (await (await bar(code)).getText()).includes(words), `${code} shows "${words}"`);

describe('which piece a reel is cut from', () => {
  it('is better another one, and the bag says so', async () => {
    await browser.go(`/bags/${String(bag.number)}`);
    await browser.text('Its main is better cut from M-REST than from M-LONG.', 'p');
  });

  it('costs something where it is dragged to another', async () => {
    await browser.go('/rack/cuts');
    await browser.find('ys-cuts-page button.go:not([disabled])');
    const tag = bag.jobs[0]?.tag ?? '';
    await has('M-REST', tag);
    const there = await bar('M-LONG');
    const drag = browser.driver.actions({ async: true });
    await drag
      .move({ origin: await chip() })
      .press()
      .move({ origin: Origin.POINTER, x: 6, y: 6 })
      .move({ origin: there, duration: 300 })
      .move({ origin: there, x: 10, y: 2 })
      .release()
      .perform();
    await browser.text('1 piece more opened', 'b');
    // Nothing is asked for until somebody says so.
    expect((await plan()).layers.every(({ pinned }) => !pinned)).toBe(true);
  });

  it('is kept there by hand, and let go again', async () => {
    await browser.click('Keep it on this piece');
    const tag = bag.jobs[0]?.tag ?? '';
    await has('M-LONG', tag);
    expect((await plan()).layers.some(({ pinned }) => pinned)).toBe(true);
    // By keys alone: from the length to its panel and back.
    await (await chip()).sendKeys(Key.ENTER);
    const focused = (): Promise<WebElement> => browser.driver.switchTo().activeElement();
    await browser.until(
      async () => (await (await focused()).getTagName()) === 'input',
      'its panel has the keyboard',
    );
    await (await focused()).sendKeys(Key.TAB, Key.NULL);
    await (await focused()).sendKeys(Key.TAB, Key.NULL);
    expect(await (await focused()).getText()).toBe('Let the plan choose');
    await (await focused()).sendKeys(Key.ENTER);
    await has('M-REST', tag);
    expect(await (await focused()).getAttribute('data-off')).toBe(`${String(bag.jobs[0]?.id)}:main`);
  });

  it('is booked so once the plan is accepted', async () => {
    // A better plan may still come and take the button’s place: it is taken as soon as one stands.
    await browser.until(async () => {
      const [accept] = await browser.driver.findElements({ css: 'ys-cuts-page button.go:not([disabled])' });
      await accept?.click().catch(() => undefined);
      return (await browser.shown('ys-cuts-page')).includes('Nothing to change');
    }, 'the plan is accepted');
    const { jobs, history } = await ask.patiently<Bag>('GET', `/bags/${String(bag.number)}`);
    expect(jobs[0]?.cuts.find(({ layer }) => layer === 'main')?.pieceId).toBe(remnant.id);
    expect(JSON.stringify(history[0]?.what)).toContain('M-REST');
    // A plan that grew old between look and press is refused, and the next one takes its place.
    const others = (await browser.complaints()).filter((one) => !/cuts\/accept.*409/.test(one));
    expect(others.join('\n')).toBe('');
  });
});
