import { describe, expect, it } from 'vitest';
import { violations } from './axe';
import type { Browser } from './browser';
import { filledReel, journey } from './journey';
import { OVERLAPS } from './overlaps';

let browser: Browser;
/** What stands for a number in an address, from a reel of this file's own. */
const own: Record<string, string> = {};
journey(
  async (opened) => {
    ({ browser } = opened);
    const { hand } = opened;
    const reel = { gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', main: 'JZ-207', backing: 'JZ-204' };
    await hand.fill({ ...reel, customer: 'Looked At', name: 'Waiting 3000', length: '120 m' });
    await hand.booked();
    const waiting = await hand.bag();
    own[':waiting'] = String(waiting.number);
    own[':job'] = String(waiting.jobs[0]?.id);
    await hand.book({ ...reel, customer: 'Looked At', name: 'Wound 3000', length: '120 m' });
    await hand.until('Backing');
    own[':run'] = String(hand.runId);
    own[':bag'] = String(hand.bagNumber);
    own[':customer'] = String(waiting.customer.id);
    own[':tag'] = await filledReel(browser);
  },
  { brings: { 'JZ-204': 'N-204', 'JZ-207': 'N-207' } },
);
const addressOf = (path: string): string => path.replace(/:\w+/g, (name) => own[name] ?? name);

const SCREENS = [
  ['/day', 'day', 'ys-day-row'],
  ['/bags', 'main-list', 'ys-bag-list li'],
  ['/bags/new', 'booking', '#customer'],
  ['/bags/question', 'question', '#reel'],
  ['/bags/counter', 'counter-question', 'ys-counter-question h1'],
  ['/bags/:bag', 'bag', 'ys-plan-view svg'],
  ['/bench', 'benches', 'ys-bench-list li'],
  ['/bench/:run', 'bench', '[data-test=turns-to-go]'],
  ['/bench/walks', 'counter walks', 'ys-walk-outing'],
  ['/reels/set/:customer', 'set', 'ys-counter-set h1'],
  ['/reels/:tag/counter', 'counter tag', 'ys-counter-tag p, ys-counter-tag table'],
  ['/rack', 'rack', 'ys-length-rule svg'],
  ['/rack/tubs', 'tubs', 'ys-tubs-page section'],
  ['/rack/recycling', 'bins', 'ys-recycling-page tbody tr'],
  ['/rack/count', 'count', '[data-test=count-row]'],
  ['/rack/cuts', 'cuts', 'ys-cuts-page section'],
  ['/rack/order', 'order', 'ys-order-page tbody tr'],
  ['/rack/files/stock-list', 'stock-list', 'ys-stock-list-page input[type=file]'],
  ['/rack/files', 'files', 'ys-files-page input[type=file]'],
  ['/reels', 'reels', 'ys-reel-search [role=listitem]'],
  ['/reels/book', 'reel book', 'ys-reel-book li'],
  ['/reels?q=nylon', 'found', 'ys-found-list li'],
  ['/reels/due', 'due', 'ys-due-page li'],
  ['/reels/comebacks', 'came back', 'ys-comebacks-page p'],
  ['/reels/fault?tag=:tag&say=loops', 'fault', '[data-test=causes] li'],
  ['/reels/got?piece=JZ-207', 'got', 'ys-got-page h2'],
  ['/reels/customer/:customer', 'customer', 'ys-customer-page h1'],
  ['/house/rules/soak', 'soak rule', 'ys-soak-chart canvas'],
  ['/house/rules/judgeTwistBy', 'twist rule', 'ys-twist-columns table'],
  ['/house/rules/level', 'level rule', 'ys-gap-chart canvas'],
  ['/house/exceptions', 'exceptions', 'ys-exceptions-page li'],
  ['/house/benches', 'bench set-up', 'ys-benches-page section'],
  ['/house/people', 'people', 'ys-people-page li'],
  ['/house/access', 'access', 'ys-access-page li'],
  ['/house/shop', 'shop', 'ys-shop-page form'],
  ['/house/cautions', 'cautions', 'ys-cautions-page fieldset'],
  ['/house/files', 'shop file', 'ys-files-and-calendar [data-test=calendar-since]'],
  ['/bags/messages', 'messages', 'ys-messages-page li'],
  ['/paper/claim-slip/:bag', 'paper', '[data-test=paper]'],
  ['/paper/tag/:tag', 'tag', '[data-test=paper]'],
  ['/house/changes', 'changes', 'ys-changes-page tbody tr'],
  ['/house/unread', 'unread', 'ys-unread-page h2'],
  ['/bags/:waiting/reel/:job', 'replan', 'ys-plan-view svg'],
  ['/reels/:tag', 'reel', 'ys-spool-section svg'],
] as const;

describe('every main screen', () => {
  it.each(SCREENS)('%s: axe finds nothing', async (path, _name, ready) => {
    await browser.go(addressOf(path));
    await browser.find(ready);
    expect(await violations(browser)).toBe('');
  });

  it.each(SCREENS)(
    '%s: nothing runs out of the page sideways, and no target lies over another, at 1280, 1024 and 390',
    async (path, _name, ready) => {
      for (const [width, height] of [
        [1280, 800],
        [1024, 768],
        [390, 844],
      ] as const) {
        await browser.resize(width, height);
        await browser.go(addressOf(path));
        await browser.find(ready);
        const wide = await browser.driver.executeScript<number>(
          'return document.documentElement.scrollWidth',
        );
        expect([width, wide <= width]).toEqual([width, true]);
        expect([width, await browser.driver.executeScript<string[]>(OVERLAPS)]).toEqual([width, []]);
      }
      await browser.resize(1280, 800);
    },
  );

  it('a target over another would be seen', async () => {
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    await browser.driver.executeScript(`
      for (const words of ['Lower', 'Upper']) {
        const button = document.body.appendChild(document.createElement('button'));
        button.textContent = words;
        Object.assign(button.style, { position: 'absolute', top: '300px', left: '300px', width: '90px' });
      }`);
    const seen = await browser.driver.executeScript<string[]>(OVERLAPS);
    expect(seen).toContain('Lower lies under Upper');
    expect(seen.join()).toContain('Lower and Upper share');
  });

  it.each(['/bags/99999', '/bench/99999', '/reels/NOPE-9', '/reels/customer/99999', '/paper/tag/NOPE-9'])(
    '%s, which is not there: axe finds nothing',
    async (path) => {
      await browser.go(path);
      await browser.find('[data-test=gone]');
      expect(await violations(browser)).toBe('');
    },
  );

  it.each([
    ['/bags', 'Line rack'],
    ['/rack', 'Reels'],
  ])('%s, and “%s” while nothing answers: axe finds nothing', async (path, area) => {
    await browser.go(path);
    await browser.find('main h1');
    await browser.offline(true);
    try {
      await (await browser.text(area, 'a')).click();
      await browser.find('[role=alert]');
      expect(await violations(browser)).toBe('');
    } finally {
      await browser.offline(false);
    }
  });

  it('/sign-in: axe finds nothing', async () => {
    await browser.driver.manage().deleteAllCookies();
    await browser.go('/sign-in');
    await browser.find('button.go');
    expect(await violations(browser)).toBe('');
  });
});
