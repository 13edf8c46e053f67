import { setTimeout as pause } from 'node:timers/promises';
import { foldRun, runFacts } from '@yard-spool/core';
import type { Bench, Run } from '@yard-spool/contract';
import { Browser } from '../browser';
import type { Ask } from './ask';
import { runAt, upToBacking, WHO, type TwoPieces } from './setup';
import type { Tally } from './tally';
import { until } from './until';

/** The page is left in the very moment of a burst of presses, or is cut off, or is one of two. */
export const AT_THE_SCREEN = [
  'a burst and a reload in one breath',
  'a burst, and the page closed',
  'a burst offline, reloaded offline',
  'bursts offline on two pages',
  'bursts on two pages at once',
] as const;
type AtTheScreen = (typeof AT_THE_SCREEN)[number];

/** Runs are changed after so many bursts: a layer has an end. */
const BURSTS = 6;
/** A record that is wrong for so long while every page says that all is saved stays wrong, ms. */
const STAYS_MS = 4000;

/** Where a technician counts by hand, and what happens there. */
interface AtTheShop {
  readonly ask: Ask;
  readonly bench: Bench;
  readonly pieces: TwoPieces;
  readonly tally: Tally;
  /** A number from 0 to below 1. */
  readonly chance: () => number;
  /** Something may be killed right now. */
  readonly mayKill: () => void;
}

/** A technician who counts by hand in a real browser, whose presses are truly known. */
export class BrowserHand {
  private run: Run | null = null;
  private bursts = 0;
  private truth = 0;

  private constructor(
    private readonly browser: Browser,
    private readonly at: AtTheShop,
  ) {}

  static async open(screens: string, at: AtTheShop): Promise<BrowserHand> {
    const browser = await Browser.open(screens);
    await browser.signIn(WHO.name, WHO.passcode);
    return new BrowserHand(browser, at);
  }

  close(): Promise<void> {
    return this.browser.close();
  }

  /** One thing that goes wrong at the screen, and what it did to the record. */
  async suffers(what: AtTheScreen): Promise<void> {
    await this.atARun();
    const presses = 5 + Math.floor(200 * this.at.chance());
    if (this.at.chance() < 0.3) this.at.mayKill();
    await this.does(what, presses);
    this.bursts += 1;
    this.at.tally.went(what);
    await this.compare(what);
  }

  private async does(what: AtTheScreen, presses: number): Promise<void> {
    const { browser } = this;
    const first = await browser.driver.getWindowHandle();
    switch (what) {
      case 'a burst and a reload in one breath': {
        await this.burst(presses, 'location.reload()');
        return this.shows();
      }
      case 'a burst, and the page closed': {
        await this.secondPage();
        await this.burst(presses);
        await browser.driver.close();
        return browser.driver.switchTo().window(first);
      }
      case 'a burst offline, reloaded offline': {
        await browser.offline(true);
        await this.burst(presses, 'location.reload()');
        await this.shows();
        await this.burst(7);
        return browser.offline(false);
      }
      case 'bursts offline on two pages': {
        await browser.offline(true);
        await this.burst(presses);
        const second = await this.secondPage(true);
        await this.burst(presses);
        await browser.driver.switchTo().window(first);
        await this.burst(3);
        await browser.offline(false);
        await browser.driver.switchTo().window(second);
        await browser.offline(false);
        return this.backTo(first);
      }
      case 'bursts on two pages at once': {
        await this.burst(presses);
        await this.secondPage();
        await this.burst(presses);
        await browser.driver.switchTo().window(first);
        await this.burst(3);
        const second = (await browser.driver.getAllWindowHandles()).find((one) => one !== first)!;
        await browser.driver.switchTo().window(second);
        return this.backTo(first);
      }
    }
  }

  /** So many presses in one breath, each of one turn. */
  private async burst(presses: number, then = ''): Promise<void> {
    this.truth += presses;
    await this.browser.driver.executeScript(`
      for (let i = 0; i < ${String(presses)}; i += 1)
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }));
      ${then};
    `);
  }

  private async secondPage(offline = false): Promise<string> {
    const { browser } = this;
    await browser.driver.switchTo().newWindow('tab');
    if (offline) await browser.offline(true);
    await this.opened();
    return browser.driver.getWindowHandle();
  }

  /** The page that is looked at is closed once all of it is saved. */
  private async backTo(first: string): Promise<void> {
    await this.browser.text('All saved', 'span');
    await this.browser.driver.close();
    await this.browser.driver.switchTo().window(first);
  }

  private async opened(): Promise<void> {
    // Before the browser keeps the screens nobody may answer; it says so, and is asked again below.
    await this.browser.go(`/bench/${String(this.run?.id)}`).catch(() => undefined);
    await this.shows();
  }

  private async isKept(): Promise<boolean> {
    for (let tries = 0; tries < 20; tries += 1) {
      if (await this.browser.driver.executeScript<boolean>('return !!navigator.serviceWorker.controller'))
        return true;
      await pause(250);
    }
    return false;
  }

  /** The bench shows the count. Where the browser itself says that nobody answers, it is opened again, as anybody would. */
  private async shows(): Promise<void> {
    const { driver } = this.browser;
    const look =
      'return [location.protocol, !!document.querySelector("[data-test=turns-so-far]"), document.body.innerText]';
    let said = '';
    for (let tries = 0; tries < 240; tries += 1) {
      const [protocol, isThere, text] = await driver.executeScript<[string, boolean, string]>(look);
      if (isThere) return;
      said = `${protocol} ${text}`;
      // A page whose first script did not arrive says nothing more: it is opened again, as anybody would.
      const isStuck = tries % 100 === 99 && text.trim() === 'Opening Yard Spool…';
      if (isStuck || protocol === 'chrome-error:')
        await driver
          .navigate()
          .refresh()
          .catch(() => undefined);
      await pause(250);
    }
    throw new Error(`The bench does not come up: ${said}`);
  }

  /** A reel whose first layer is being wound; another one where this one has had enough. */
  private async atARun(): Promise<void> {
    if (this.run && this.bursts < BURSTS) return;
    this.run = await runAt(this.at.ask, this.at.bench, this.at.pieces);
    this.bursts = 0;
    this.truth = 0;
    await upToBacking(this.at.ask, this.run);
    await this.opened();
    // Kept by the browser it opens without the server from then on; one that was away just then is asked again.
    while (!(await this.isKept())) await this.opened();
    await this.opened();
  }

  /** Whether the record is what was pressed, once the page says that all is saved. */
  private async compare(what: string): Promise<void> {
    let wrongSince: number | null = null;
    let recorded = NaN;
    await until(`all is saved after ${what}`, async () => {
      const now = await this.recorded();
      if (now !== recorded || !(await this.saysSaved())) wrongSince = null;
      recorded = now;
      if (recorded === this.truth) return this.saysSaved();
      wrongSince ??= Date.now();
      return Date.now() - wrongSince > STAYS_MS;
    }).catch(async (error: unknown) => {
      const says = `${await this.browser.driver.getCurrentUrl()} ${await this.says()}`;
      throw new Error(`${String(error)} ${String(recorded)} of ${String(this.truth)} are. ${says}`);
    });
    const off = recorded - this.truth;
    if (off === 0) return;
    this.at.tally.off(off);
    process.stderr.write(
      `After ${what}: ${off < 0 ? 'lost' : 'doubled'} ${String(Math.abs(off))} of ${String(this.truth)} presses.\n`,
    );
    this.truth = recorded;
  }

  private async saysSaved(): Promise<boolean> {
    return (await this.says()).includes('All saved');
  }

  private says(): Promise<string> {
    return this.browser.driver.executeScript<string>('return document.body.innerText');
  }

  private async recorded(): Promise<number> {
    const run = await this.at.ask.patiently<Run>('GET', `/runs/${String(this.run?.id)}`);
    return foldRun(runFacts(run), run.events).turns.backing ?? 0;
  }
}
