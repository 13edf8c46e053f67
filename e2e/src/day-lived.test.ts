import type { Bag, DayPlan, SavedHouseRules } from '@yard-spool/contract';
import { By, Key, type WebElement } from 'selenium-webdriver';
import { afterAll, afterEach, beforeAll, describe, expect, it } from 'vitest';
import { BenchHand } from './bench-hand';
import { Browser } from './browser';
import { Ask } from './faults/ask';
import { addBench, bookBag, receiveTwo, signIn, type TwoPieces } from './faults/setup';
import { Shop } from './faults/shop';
import { ShopClock } from './shop-clock';

/** A Thursday, from nine on. */
const at = (time: string): Date => new Date(`2031-03-13T${time}:00`);

const clock = new ShopClock(at('08:55'));
let shop: Shop;
let ask: Ask;
let browser: Browser;
let pieces: TwoPieces;
let first: Bag;
let third: Bag;
let noon: Bag;

beforeAll(async () => {
  shop = await Shop.open(clock.env);
  ask = new Ask(shop.address);
  await signIn(ask);
  const house = await ask.patiently<SavedHouseRules>('GET', '/house-rules');
  await ask.patiently('PUT', '/house-rules', {
    ...house,
    idleMinutes: 0,
    hours: { opens: '09:00', closes: '18:00', closedOn: [] },
    rules: { ...house.rules, soak: 'none' },
  });
  await addBench(ask, 'Bench 2', []);
  await ask.patiently('POST', '/people', { name: 'Second', passcode: 'plaited-cord-4', role: 'technician' });
  pieces = await receiveTwo(ask);
  first = await bookBag(ask, pieces, at('11:30').toISOString(), ['Early 3000']);
  await bookBag(ask, pieces, at('15:00').toISOString(), ['Middle 3000', 'Middle 4000']);
  third = await bookBag(ask, pieces, at('17:30').toISOString(), ['Late 3000', 'Late 4000']);
  browser = await Browser.open(shop.screens);
  await itIs('09:00');
  await browser.signIn('Faulty', 'bent-spindle-9');
});
afterAll(async () => {
  await browser.close();
  await shop.close();
  clock.close();
});
afterEach(async ({ task }) => {
  if (task.result?.state === 'fail') await browser.keepPicture(task.name);
});

/** Puts the shop's clock, and the page's, to a time of that day. */
async function itIs(time: string): Promise<void> {
  clock.set(at(time));
  await browser.beforeEachPage(clock.script);
}
async function lookAtTheDay(): Promise<void> {
  await browser.go('/day');
  await browser.find('[data-row]');
  await browser.until(async () => !(await day()).improving, 'no better order is looked for');
  await browser.go('/day');
  await browser.find('[data-row]');
}
const day = (): Promise<DayPlan> => ask.patiently<DayPlan>('GET', '/day');
const fillOf = ({ jobs }: Bag, i = 0): string => `fill:${String(jobs[i]?.id)}`;
const rowOf = (id: string): Promise<WebElement> => browser.find(`[data-row="${id}"]`);
const textOf = async (id: string): Promise<string> => (await rowOf(id)).getText();
const inHand = async ({ number }: Bag): Promise<string> => {
  const rule = By.xpath(`//ys-hand-rule[contains(., 'Bag ${String(number)} by')]//*[@data-test='in-hand']`);
  return (await browser.driver.findElement(rule)).getText();
};

describe('a day lived through by its clock', () => {
  it('begins with an order in which every bag is in time, and the first reel is begun from it', async () => {
    await lookAtTheDay();
    expect(await browser.shown('h1')).toBe('Thursday: 5 reels to fill, all in time');
    expect(await textOf(fillOf(first))).toMatch(/^9:0\d/);
    expect(await inHand(first)).toMatch(/^[12] h/);
    const { rows } = await day();
    const own = rows.find(({ id }) => id === fillOf(first));
    const card = await browser.text(`Bench ${own?.benchId === 1 ? '1' : '2'}`, 'h2');
    await (await card.findElement(By.xpath('ancestor::ys-bench-card//button'))).click();
    await browser.until(
      async () => (await browser.driver.getCurrentUrl()).includes('/bench/'),
      'the bench opens',
    );
  });

  it('shows a fill that takes longer, what moved by it, and why', async () => {
    await lookAtTheDay();
    const planned = (await day()).rows.find(({ id }) => id === fillOf(first));
    expect(planned?.state).toBe('now');
    await itIs('10:30');
    await browser.go('/day');
    const moved = await browser.shown('[data-test=moved]');
    expect(moved).toContain(`${String(first.jobs[0]?.tag)} takes longer than planned.`);
    expect(moved).not.toContain(`${String(first.jobs[0]?.tag)}, Early 3000:`);
    expect(await textOf(fillOf(first))).toContain('now');
  });

  it('goes on once it is filled: the reel stands there as done', async () => {
    const hand = new BenchHand(browser);
    await (await browser.text('Continue there', 'button')).click();
    await browser.until(
      async () => (await browser.driver.getCurrentUrl()).includes('/bench/'),
      'the bench opens',
    );
    await hand.until('Tag and close');
    await hand.close();
    const { version, jobs } = await ask.patiently<Bag>('GET', `/bags/${String(first.number)}`);
    await ask.patiently('POST', `/jobs/${String(jobs[0]?.id)}/state`, { version, to: 'ready' });
    await lookAtTheDay();
    const done = (await day()).rows.find(({ state }) => state === 'done');
    expect(done?.reels[0]?.tag).toBe(first.jobs[0]?.tag);
    expect(await textOf(done?.id ?? '')).toContain('Early 3000');
  });

  it('keeps what is pinned where it is, by hand and by keys, and shows whose time it takes', async () => {
    const id = fillOf(third, 1);
    const before = await inHand(third);
    const button = await (await rowOf(id)).findElement(By.css('button'));
    await button.sendKeys(Key.chord(Key.ALT, Key.ARROW_UP));
    await browser.find('[data-test=before]');
    await browser.press(Key.ESCAPE);
    await browser.until(async () => (await inHand(third)) === before, 'nothing was asked');
    for (const hour of [1, 2, 3]) {
      const was = await textOf(id);
      await (await rowOf(id)).findElement(By.css('button')).click();
      await browser.click('Put off by an hour');
      await browser.until(async () => (await textOf(id)) !== was, `it is put off by ${String(hour)} h`);
    }
    await (await rowOf(id)).findElement(By.css('button')).click();
    const pin = await browser.text('Pin to', 'button');
    const time = (await pin.getText()).replace('Pin to ', '');
    await pin.click();
    await browser.until(async () => (await textOf(id)).includes('pinned'), 'it is pinned');
    expect(await textOf(id)).toContain(time);
  });

  it('takes a bag in at noon without breaking a promise, and without moving the pin', async () => {
    await itIs('12:00');
    await lookAtTheDay();
    const pinned = (await textOf(fillOf(third, 1))).split('\n')[0];
    noon = await bookBag(ask, pieces, at('13:15').toISOString(), ['Noon 3000', 'Noon 4000']);
    await browser.go('/day');
    await browser.text(`Bag ${String(noon.number)} was booked in.`);
    expect(await browser.shown('h1')).toContain('all in time');
    expect((await textOf(fillOf(third, 1))).split('\n')[0]).toBe(pinned);
    const order = (await day()).rows.map((row) => row.id);
    expect(order.indexOf(fillOf(noon))).toBeLessThan(order.indexOf(fillOf(third)));
  });

  it('goes on without somebody who goes home, and says so', async () => {
    await (await browser.text('Second', 'label')).click();
    await browser.text('Second has gone for today.');
    const { rows, people } = await day();
    const gone = people.find(({ name }) => name === 'Second')?.id;
    expect(rows.some(({ state, personId }) => state === 'next' && personId === gone)).toBe(false);
  });

  it('says the same of each bag on every screen', async () => {
    await lookAtTheDay();
    const words = await inHand(noon);
    await browser.go('/bags');
    const row = await browser.find(`a[href="/bags/${String(noon.number)}"]`);
    await browser.until(
      async () =>
        (await row.getText()).includes(words.endsWith('late') ? `will be ${words}` : `${words} in hand`),
      'the list of bags has what the day has',
    );
  });
});
