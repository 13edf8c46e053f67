import { Key } from 'selenium-webdriver';
import { afterEach, describe, expect, it } from 'vitest';
import { fixedSpool, type BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';
import { shopHere } from './shop-here';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), { brings: { 'JA-204': 'N-204', 'JA-207': 'N-207' } });

const REEL = {
  ...fixedSpool('JA-207', '100 m', 'JA-204'),
};

/** The server stands still, as on a machine that was unplugged, or goes on. */
function server(signal: 'SIGSTOP' | 'SIGCONT'): void {
  process.kill(Number(shopHere('YARD_SPOOL_SERVER_PID')), signal);
}
afterEach(() => server('SIGCONT'));

async function panel(path: string): Promise<void> {
  await fetch(`${shopHere('YARD_SPOOL_COUNTER_PANEL')}${path}`, { method: 'POST' });
}
const soFar = (): Promise<string> => browser.shown('[data-test=turns-so-far]');
const counted = (turns: string): Promise<boolean> =>
  browser.until(async () => (await soFar()) === turns, `${turns} turns are counted`);
const logHas = (turns: number): Promise<boolean> =>
  browser.until(async () => (await hand.state()).turns.backing === turns, `the log has ${String(turns)}`);

describe('with the server away', () => {
  it('a reload opens the bench where it was, and it counts on; nothing is lost, nothing twice', async () => {
    await browser.go('/bench');
    await browser.choose('This computer is at', 'Bench 1');
    await hand.book({ ...REEL, customer: 'Away One', name: 'Away 3000' });
    await hand.until('Backing');
    for (let i = 0; i < 3; i += 1) await browser.press(' ');
    await logHas(30);
    await browser.until(
      () => browser.driver.executeScript<boolean>('return !!navigator.serviceWorker.controller'),
      'the browser keeps the screens',
    );
    // Kept once it was opened with the worker there.
    await browser.go(`/bench/${String(hand.runId)}`);
    await counted('30');
    server('SIGSTOP');
    await browser.driver.navigate().refresh();
    await counted('30');
    for (let i = 0; i < 4; i += 1) await browser.press(' ');
    await counted('70');
    await browser.text('kept here', 'span');
    await browser.driver.navigate().refresh();
    await counted('70');
    server('SIGCONT');
    await browser.text('All saved', 'span');
    await logHas(70);
  });

  it('tabs beyond the sixth hear of what happens as the first does', async () => {
    const first = await browser.driver.getWindowHandle();
    const address = `/bench/${String(hand.runId)}`;
    const others: string[] = [];
    try {
      for (let i = 0; i < 7; i += 1) {
        await browser.driver.switchTo().newWindow('tab');
        others.push(await browser.driver.getWindowHandle());
        await browser.go(address);
        await counted('70');
      }
      await browser.press(' ');
      await counted('80');
      await browser.driver.switchTo().window(first);
      await counted('80');
    } finally {
      for (const tab of others) {
        await browser.driver.switchTo().window(tab);
        await browser.driver.close();
      }
      await browser.driver.switchTo().window(first);
    }
    await logHas(80);
  });
});

describe('a counter that does wrong', () => {
  it('is asked about where it jumped, the likeliest answer first and on a key', async () => {
    await browser.go('/bench');
    await browser.choose('This computer is at', 'Bench 2');
    await hand.book({ ...REEL, customer: 'Away Two', name: 'Doubtful 3000' });
    await hand.until('Backing');
    await browser.until(async () => 'reed-2' in (await hand.state()).devices, 'the counter is known');
    await panel('/turn?n=12');
    await logHas(12);
    for (const kind of ['jitter', 'drop', 'repeat', 'older', 'rubbish', 'half'])
      await panel(`/fault?kind=${kind}`);
    await panel('/turn?n=3');
    await counted('15');
    await panel('/fault?kind=jump');
    await browser.text('reed-2 jumped by 400 turns at once.', 'b');
    expect(await soFar()).toBe('15');
    await browser.pressWithAlt('1');
    await panel('/turn?n=2');
    await counted('17');
    await logHas(17);
  });

  it('is asked about where it lost its power, and what was counted before stays', async () => {
    await panel('/fault?kind=power');
    await panel('/turn?n=5');
    await browser.text('seems to have begun again from zero', 'b');
    expect(await soFar()).toBe('17');
    await browser.click('It began again: count the 5 turns since');
    await counted('22');
    await logHas(22);
  });

  it('is said to be silent, for how long, and counts on once it is heard', async () => {
    await panel('/fault?kind=silence');
    await browser.text('reed-2 has been silent for', 'p');
    await browser.text('Saved so far; reed-2 cannot be heard', 'span');
    await panel('/turn?n=4');
    await counted('26');
    await browser.text('All saved', 'span');
    await logHas(26);
  });

  it('is asked about above the count on a phone, where what is opened comes into view', async () => {
    const box = (css: string) =>
      browser.driver.executeScript<{ readonly top: number; readonly bottom: number }>(
        'return document.querySelector(arguments[0]).getBoundingClientRect().toJSON()',
        css,
      );
    await browser.resize(390, 844);
    try {
      await panel('/fault?kind=jump');
      await browser.text('reed-2 jumped by 400 turns at once.', 'b');
      expect((await box('[data-test=odd-count]')).bottom).toBeLessThan((await box('ys-winding-count')).top);
      await browser.click('Count none of them');
      await browser.driver.executeScript(`document.querySelector('[aria-label=Steps]').scrollIntoView()`);
      expect((await box('ys-winding-count')).top).toBeLessThan(0);
      await browser.click('Twist');
      await browser.find('ys-twist-panel');
      await browser.until(async () => (await box('ys-twist-panel')).top >= 0, 'what was opened is seen');
      await browser.press(Key.ESCAPE);
    } finally {
      await browser.resize(1280, 800);
    }
  });
});
