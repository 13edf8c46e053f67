import { fixedSpool } from './bench-hand';
import type { RunHappening } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { BenchHand, type TypedReel } from './bench-hand';
import { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), { brings: { 'JX-204': 'N-204', 'JX-207': 'N-207' } });

const REEL: Omit<TypedReel, 'customer'> = {
  name: 'Cut off 3000',
  ...fixedSpool('JX-207', '60 m', 'JX-204'),
};

/** Brings a run to its last step, as if all before had been done: the bench's page hears of it. */
async function upToTheTag(): Promise<void> {
  const run = await hand.run();
  const state = await hand.state();
  const left = state.steps.filter(({ id, kind }) => !state.done.has(id) && kind !== 'tag');
  const happened = left.flatMap((step): RunHappening[] => {
    const planned = run.job.plan.layers.find(({ id }) => id === step.layer)?.handleTurns.value ?? 0;
    return [
      ...(step.kind === 'wind' && step.layer !== undefined
        ? [{ kind: 'turns', payload: { layer: step.layer, turns: Math.round(planned) } } as const]
        : []),
      { kind: 'step-done', payload: { step: step.id } },
    ];
  });
  const events = happened.map((happening, i) => ({
    ...happening,
    id: crypto.randomUUID(),
    run: String(run.id),
    seq: state.seq + 1 + i,
    by: 'Joss',
    at: new Date().toISOString(),
  }));
  const added = await browser.post<{ events: object[] }>(`/runs/${String(run.id)}/events`, { events });
  expect(added.events).toHaveLength(events.length);
  await hand.stepComes('Tag and close');
}

describe('a bench that is cut off', () => {
  it('says what waits when the reel is to be closed, keeps every key alive, and closes it afterwards', async () => {
    await hand.book({ ...REEL, customer: 'Cut Off One' });
    await upToTheTag();
    await browser.offline(true);
    await browser.press(Key.ENTER);
    await browser.text('The reel is closed as soon as that is saved', 'p');
    await browser.text('The server is away: 1 thing kept here', 'span');
    await browser.press('m');
    await browser.text('Sound off', 'button');
    await browser.press('m');
    await browser.text('Sound on', 'button');
    await browser.press('?');
    await browser.text('Space ten turns', 'p');
    await browser.offline(false);
    await browser.until(
      async () => /\/reels\/R-\d+$/.test(await browser.driver.getCurrentUrl()),
      'the reel’s page opens',
    );
  });

  it('keeps what a run does not take that was closed elsewhere meanwhile, until it is thrown away', async () => {
    await hand.book({ ...REEL, customer: 'Cut Off Two' });
    await upToTheTag();
    await browser.offline(true);
    await browser.press('z');
    await browser.text('The server is away: 1 thing kept here', 'span');
    const other = await Browser.open();
    try {
      await other.signIn('Pell', 'knot-22');
      await other.go(`/bench/${String(hand.runId)}`);
      await other.text('Close this reel', 'button');
      await other.press(Key.ENTER);
      await other.until(
        async () => /\/reels\/R-\d+$/.test(await other.driver.getCurrentUrl()),
        'it is closed at the other bench',
      );
    } finally {
      await other.close();
    }
    await browser.offline(false);
    await browser.text('This run is closed. Nothing was added to it.', 'p');
    await browser.text('1 thing kept here that the server does not take', 'span');
    await browser.driver.navigate().refresh();
    await browser.click('Throw them away');
    await browser.text('All saved', 'span');
    expect((await hand.state()).closed).toBe(true);
  });

  it('is brought up to date from any page, for every run', async () => {
    await hand.book({ ...REEL, customer: 'Cut Off Three' });
    await hand.until('Backing');
    await browser.offline(true);
    await browser.press(' ', ' ', '+');
    await browser.text('The server is away', 'span');
    await (await browser.text('All benches', 'a')).click();
    await browser.offline(false);
    await browser.until(async () => (await hand.state()).turns.backing === 21, 'the log has them');
  });

  it('loses none of hundreds of presses where the page is left in the very moment', async () => {
    await hand.book({ ...REEL, customer: 'Cut Off Four' });
    await hand.until('Backing');
    await browser.until(
      () => browser.driver.executeScript<boolean>('return !!navigator.serviceWorker.controller'),
      'the browser keeps the screens',
    );
    await browser.go(`/bench/${String(hand.runId)}`);
    await browser.shown('[data-test=turns-so-far]');
    await browser.offline(true);
    await browser.driver.executeScript(`
      for (let i = 0; i < 400; i += 1)
        document.body.dispatchEvent(new KeyboardEvent('keydown', { key: '+', bubbles: true }));
      location.reload();
    `);
    const soFar = (): Promise<string> => browser.shown('[data-test=turns-so-far]');
    await browser.until(async () => (await soFar()) === '400', '400 turns are there again');
    await browser.text('400 things kept here', 'span');
    await browser.offline(false);
    await browser.text('All saved', 'span');
    expect((await hand.state()).turns.backing).toBe(400);
  });

  it('has one order for two pages on one run: a count typed last is what stands', async () => {
    await hand.book({ ...REEL, customer: 'Cut Off Five' });
    await hand.until('Backing');
    const first = await browser.driver.getWindowHandle();
    const address = `/bench/${String(hand.runId)}`;
    await browser.go(address);
    await browser.shown('[data-test=turns-so-far]');
    await browser.offline(true);
    await browser.driver.switchTo().newWindow('tab');
    const second = await browser.driver.getWindowHandle();
    await browser.go(address);
    await browser.offline(true);
    await browser.shown('[data-test=turns-so-far]');
    await browser.press('+', '+', '+', '+', '+', '+', '+');
    await browser.text('7 things kept here', 'span');
    await browser.driver.switchTo().window(first);
    await browser.press('c');
    await browser.fill('Turns on this layer so far', '50');
    await browser.press(Key.ENTER);
    await browser.text('kept here', 'span');
    await browser.driver.switchTo().window(second);
    await browser.offline(false);
    await browser.driver.switchTo().window(first);
    await browser.offline(false);
    await browser.text('All saved', 'span');
    await browser.driver.switchTo().window(second);
    await browser.text('All saved', 'span');
    await browser.driver.close();
    await browser.driver.switchTo().window(first);
    expect((await hand.state()).turns.backing).toBe(50);
  });
});
