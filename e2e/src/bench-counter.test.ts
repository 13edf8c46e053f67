import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { BenchHand, fixedSpool } from './bench-hand';
import { Browser } from './browser';
import { journey } from './journey';
import { shopHere } from './shop-here';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), { brings: { 'JC-204': 'N-204', 'JC-207': 'N-207' } });

const REEL = {
  ...fixedSpool('JC-207', '110 m', 'JC-204'),
};

/** Turns the simulated counter of the second bench. */
async function turn(by: number): Promise<void> {
  await fetch(`${shopHere('YARD_SPOOL_COUNTER_PANEL')}/turn?n=${String(by)}`, { method: 'POST' });
}

const soFar = (who: Browser): Promise<string> => who.shown('[data-test=turns-so-far]');
const counted = (turns: string): Promise<boolean> =>
  browser.until(async () => (await soFar(browser)) === turns, `${turns} turns are counted`);

/** Holds the count, and waits until the server knows. */
async function hold(): Promise<void> {
  await browser.press(' ');
  await browser.find('[data-test=held]');
  await browser.until(async () => (await hand.state()).held, 'the count is held');
}

describe('a counter at the bench', () => {
  it('counts on the screen as the handle turns, forward and back', async () => {
    await browser.go('/bench');
    await browser.choose('This computer is at', 'Bench 2');
    await hand.book({ ...REEL, customer: 'Counted One', name: 'Counted 3000' });
    await hand.until('Backing');
    await browser.text('Hold the count', 'button');
    await browser.until(async () => 'reed-2' in (await hand.state()).devices, 'the counter is known');
    for (let i = 0; i < 30; i += 1) await turn(1);
    await counted('30');
    await turn(-4);
    await counted('26');
    await browser.until(async () => (await hand.state()).turns.backing === 26, 'the log has them');
  });

  it('is held with Space: what came meanwhile is asked about, and left out or counted', async () => {
    await hold();
    await turn(12);
    await browser.text('went on by 12 meanwhile', 'p');
    expect(await soFar(browser)).toBe('26');
    await browser.click('Leave them out');
    await browser.text('Hold the count', 'button');
    await turn(2);
    await counted('28');
    await hold();
    await turn(5);
    await browser.text('went on by 5 meanwhile', 'p');
    await browser.click('Count them');
    await counted('33');
  });

  it('leaves what is open and typed alone while it counts', async () => {
    await browser.press('t');
    await (await browser.field('Full turns')).sendKeys('3.5');
    await turn(3);
    await counted('36');
    await browser.until(async () => (await hand.state()).turns.backing === 36, 'the log has them');
    expect(await (await browser.field('Full turns')).getAttribute('value')).toBe('3.5');
    await browser.press(Key.ESCAPE);
    await turn(-3);
    await counted('33');
  });

  it('goes on after a reload, with what it counted meanwhile', async () => {
    await browser.go('/bags');
    await turn(7);
    await browser.go(`/bench/${String(hand.runId)}`);
    await counted('40');
  });

  it('goes on while the server is away, and nothing is lost', async () => {
    await browser.offline(true);
    await turn(10);
    await browser.press('t');
    await browser.press('t');
    await browser.offline(false);
    await counted('50');
    await browser.until(async () => (await hand.state()).turns.backing === 50, 'the log has them');
  });

  it('leaves another bench alone, where a second technician winds by hand at the same time', async () => {
    const other = await Browser.open();
    try {
      await other.signIn('Pell', 'knot-22');
      const second = new BenchHand(other);
      await second.book({ ...REEL, customer: 'Counted Two', name: 'By hand 3000' });
      await second.until('Backing');
      await other.press(' ');
      await turn(3);
      await other.press(' ');
      await turn(3);
      await counted('56');
      await other.until(async () => (await soFar(other)) === '20', 'twenty by hand');

      // The first reel is handed over: whoever takes it up has it from then on, with the count as it stands.
      await other.go(`/bench/${String(hand.runId)}`);
      await other.text('Joss has this reel at Bench 2', 'b');
      expect(await soFar(other)).toBe('56');
      await other.click('Continue at this bench');
      await other.until(async () => (await hand.state()).hands.at(-1) === 'Pell', 'it is handed over');
      expect((await hand.run()).bench).toBe('Bench 1');
      await browser.text('Pell has this reel at Bench 1', 'b');
    } finally {
      await other.close();
    }
  });
});

describe('a line meter beside the counter', () => {
  it('measures the reel while it is wound, and says when line runs beside it', async () => {
    await hand.book({ ...REEL, customer: 'Measured One', name: 'Measured 3000' });
    await hand.until('Backing');
    await browser.until(async () => 'reed-2' in (await hand.state()).devices, 'the counter is known');
    await browser.text('the first figures come after some metres', 'p');
    const panel = shopHere('YARD_SPOOL_COUNTER_PANEL');
    await fetch(`${panel}/reel?radius=14.4&rise=0.0043&gear=5.2`, { method: 'POST' });
    for (let i = 0; i < 9; i += 1) {
      const before = (await hand.state()).turns.backing ?? 0;
      await turn(12);
      await browser.until(
        async () => (await hand.state()).turns.backing === before + 12,
        'twelve more are counted',
      );
    }
    const radius = await browser.shown('[data-test=measured-radius]');
    const value = Number(/^([\d.]+) ±/.exec(radius)?.[1]);
    expect(Math.abs(value - (14.4 + 108 * 5.2 * 0.0043))).toBeLessThan(0.5);
    expect((await hand.state()).stretches.length).toBeGreaterThan(4);
    await fetch(`${panel}/slip?share=1`, { method: 'POST' });
    // What is usual is three times the last stretch, and that one is as long as the counts happened to arrive.
    for (let i = 0; i < 6; i += 1) await turn(20);
    await browser.find('[data-test=meter-stands]');
    await fetch(`${panel}/slip?share=0`, { method: 'POST' });
    await fetch(`${panel}/meter?kind=silence`, { method: 'POST' });
    await browser.find('[data-test=meter-lost]');
  });
});
