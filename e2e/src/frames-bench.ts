// Part of npm run bench: from a keystroke in a booking, and from a turn at the bench, until the frame that shows it is
// drawn, in Chromium, on this machine and on one a quarter as fast. Prints the half and the 95th of 100 beside the limits.
import { loadavg } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { Key } from 'selenium-webdriver';
import { BenchHand, fixedSpool } from './bench-hand';
import { Browser } from './browser';

const KEYS = 60;
/** Between two keystrokes, ms: a quick typist. */
const EACH_MS = 130;

/** Keeps, for each keystroke, how long it took until its frame was drawn. */
const TO_FRAME = `
  window.tookToFrame = [];
  addEventListener('keydown', ({ timeStamp }) => requestAnimationFrame(() => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => window.tookToFrame.push(performance.now() - timeStamp);
    port2.postMessage(0);
  }), true);`;

const at = (times: readonly number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.floor(share * (times.length - 1))] ?? NaN;
let over = 0;
function told(what: string, times: readonly number[], most: number): void {
  const late = at(times, 0.95);
  if (!(late <= most)) over += 1;
  process.stdout.write(
    `${what.padEnd(48)} ${String(times.length).padStart(4)} times, half ${at(times, 0.5).toFixed(0).padStart(4)} ms, ` +
      `95 of 100 ${late.toFixed(0).padStart(4)} ms, limit ${String(most)}${late <= most ? '' : '!'}\n`,
  );
}

/** How slow the page is made, from 1 on. */
const slowedBy = (browser: Browser, rate: number): Promise<void> =>
  (
    browser.driver as unknown as { sendDevToolsCommand: (name: string, given: object) => Promise<void> }
  ).sendDevToolsCommand('Emulation.setCPUThrottlingRate', { rate });

/** Types digits and takes them back, each when the last is drawn. */
async function typing(browser: Browser, label: string): Promise<number[]> {
  const field = await browser.field(label);
  // A figure with each key: 11, 110, 11.
  await field.clear();
  await field.sendKeys('11');
  await browser.driver.executeScript('window.tookToFrame.length = 0');
  for (let i = 0; i < KEYS; i += 1) {
    await browser.press(i % 2 === 0 ? '0' : Key.BACK_SPACE);
    await pause(EACH_MS);
  }
  return browser.driver.executeScript<number[]>('return window.tookToFrame');
}

const browser = await Browser.open();
try {
  await browser.beforeEachPage(TO_FRAME);
  await browser.signIn();
  const hand = new BenchHand(browser);
  const reel = { ...fixedSpool('N-207', '110 m', 'N-204'), customer: 'Timed', name: 'Timed 3000' };
  await hand.fill(reel);
  for (const reels of [3, 20]) {
    while (
      (await browser.driver.findElements({ css: '[aria-label="Reels of the bag"] [aria-pressed]' })).length <
      reels
    )
      await browser.click('Copy this reel');
    for (const [rate, most] of [
      [1, 20],
      [4, 50],
    ] as const) {
      await slowedBy(browser, rate);
      told(
        `a keystroke, ${String(reels)} reels, at ${String(rate)}×`,
        await typing(browser, 'How much main'),
        most,
      );
    }
    await slowedBy(browser, 1);
  }
  process.stdout.write(`load of the machine ${loadavg()[0]?.toFixed(1) ?? ''}\n`);
} finally {
  await browser.close();
}
process.exitCode = over === 0 ? 0 : 1;
