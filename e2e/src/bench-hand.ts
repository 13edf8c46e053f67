import type { Bag, Run } from '@yard-spool/contract';
import { foldRun, runFacts, type RunState } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import type { Browser } from './browser';

/** A reel as it is typed at the counter. */
export interface TypedReel {
  readonly name: string;
  /** The first letters of the type, as the form names it. */
  readonly type?: string;
  readonly gear: string;
  readonly rating: string;
  readonly lip?: string;
  readonly main: string;
  readonly length?: string;
  readonly backing?: string;
  /** For three layers. */
  readonly cushion?: string;
  readonly top?: string;
  readonly customer: string;
  /** Whether there is a plan once this much is typed; more is to come where there is none. */
  readonly planned?: false;
}

/** The fixed spool most journeys book: what is wound on it, and how much. */
export const fixedSpool = (main: string, length: string, backing: string) =>
  ({ gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', main, length, backing }) as const;

/** What a technician does at the screen: books a reel, takes it to the bench, and goes through its steps. */
export class BenchHand {
  runId = 0;
  bagNumber = 0;

  constructor(private readonly browser: Browser) {}

  /** Books one reel by the form and sends it to this machine's bench. */
  async book(reel: TypedReel): Promise<void> {
    await this.fill(reel);
    await this.toBench();
  }

  /** Types one reel into the form. */
  async fill(reel: TypedReel): Promise<void> {
    const { browser } = this;
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.fill('Customer', reel.customer);
    await browser.fill('Reel', reel.name);
    if (reel.type) await browser.choose('Type', reel.type);
    await browser.fill('Gear ratio', reel.gear);
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys(reel.rating);
    if (reel.lip) await browser.fill('Lip diameter', reel.lip);
    await browser.choose('Main line', reel.main);
    if (reel.length) await browser.fill('How much main', reel.length);
    if (reel.backing) await browser.choose('Backing line', reel.backing);
    if (reel.cushion) await browser.choose('Cushion', reel.cushion);
    if (reel.top) await browser.choose('Top shot', reel.top);
    if (reel.planned !== false) await browser.find('ys-plan-view pattern');
  }

  /** Books what is typed. */
  async booked(): Promise<void> {
    const { browser } = this;
    await browser.pressWithControl(Key.ENTER);
    await this.at(/\/bags\/\d+$/, 'the bag’s page opens');
    this.bagNumber = Number((await browser.driver.getCurrentUrl()).split('/').at(-1));
    await browser.find('ys-plan-view pattern');
  }

  /** Books what is typed, and sends it to this machine's bench. */
  async toBench(): Promise<void> {
    await this.booked();
    await this.onto();
  }

  /** Sends the reel of the bag that is looked at to this machine's bench. */
  async onto(): Promise<void> {
    const { browser } = this;
    await browser.pressWithControl(Key.ENTER);
    await this.at(/\/bench\/\d+$/, 'the bench opens');
    this.runId = Number((await browser.driver.getCurrentUrl()).split('/').at(-1));
    await browser.find('[aria-current=step]');
  }

  private at(address: RegExp, what: string): Promise<boolean> {
    return this.browser.until(async () => address.test(await this.browser.driver.getCurrentUrl()), what);
  }

  run(): Promise<Run> {
    return this.browser.api<Run>(`/runs/${String(this.runId)}`);
  }

  bag(): Promise<Bag> {
    return this.browser.api<Bag>(`/bags/${String(this.bagNumber)}`);
  }

  /** The run as its log on the server has it, once what is just being saved is in it. */
  async state(): Promise<RunState> {
    const saving = 'return document.querySelector("ys-bench-aside")?.textContent.includes("Saving") === true';
    await this.browser.until(
      async () => !(await this.browser.driver.executeScript<boolean>(saving)),
      'it is saved',
    );
    const run = await this.run();
    return foldRun(runFacts(run), run.events);
  }

  step(): Promise<string> {
    return this.browser.shown('[aria-current=step]');
  }

  async stepComes(name: string): Promise<void> {
    await this.browser.until(async () => (await this.step()).startsWith(name), `the step "${name}" comes up`);
  }

  /** Ends the step with Enter, and waits for the next. */
  async done(): Promise<void> {
    const before = await this.step();
    await this.browser.press(Key.ENTER);
    await this.browser.until(async () => (await this.step()) !== before, `something follows "${before}"`);
  }

  /** Types the count of the layer being wound. */
  async count(turns: number): Promise<void> {
    await this.browser.press('c');
    const field = await this.browser.find('ys-bench-run form input');
    await field.clear();
    await field.sendKeys(String(turns), Key.ENTER);
    await this.browser.until(
      async () => (await this.browser.figure('[data-test=turns-so-far]')) === turns,
      `${String(turns)} turns are counted`,
    );
  }

  /** Counts to the stop and ends the layer. */
  async wind(): Promise<void> {
    const toGo = await this.browser.figure('[data-test=turns-to-go]');
    const soFar = await this.browser.figure('[data-test=turns-so-far]');
    await this.count(toGo + soFar);
    await this.done();
  }

  /** Goes through every step up to one, winding to each stop; what a step wants is given by `give`, by its name. */
  async until(name: string, give: Readonly<Record<string, () => Promise<void>>> = {}): Promise<string[]> {
    const passed: string[] = [];
    for (;;) {
      const now = (await this.step()).split('\n')[0] ?? '';
      if (now.startsWith(name)) return passed;
      passed.push(now.replace(/ \d.*$/, ''));
      const wanted = Object.entries(give).find(([start]) => now.startsWith(start))?.[1];
      if (wanted) await wanted();
      else if ((await this.browser.driver.findElements({ css: '[data-test=turns-to-go]' })).length > 0)
        await this.wind();
      else await this.done();
    }
  }

  /** Closes the run from its last step, and waits for the reel's page. */
  async close(): Promise<string> {
    await this.stepComes('Tag and close');
    await this.browser.press(Key.ENTER);
    await this.at(/\/reels\/R-\d+$/, 'the reel’s page opens');
    return (await this.browser.driver.getCurrentUrl()).split('/').at(-1) ?? '';
  }
}
