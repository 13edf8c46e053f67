import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Reel } from '@yard-spool/contract';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JM-220': 'N-220', 'JM-204': 'N-204' },
});

const REEL = { type: 'Trolling', gear: '4.2:1', rating: '260 x 0.45', lip: '58 mm', main: 'JM-220' } as const;
/** Nobody of that name was here before, however often the journeys ran. */
const CUSTOMER = `Counter Set ${String(Date.now())}`;
const tags: string[] = [];

/** Books a trolling reel and fills it up to its counter. */
async function toCounter(name: string, length = '150 m'): Promise<void> {
  await hand.fill({ ...REEL, customer: CUSTOMER, name, length, backing: 'JM-204' });
  if (tags.length > 0) {
    // The customer who had the first of them, not another of that name.
    await browser.fill('Customer', CUSTOMER);
    await browser.find('#customer-option-0');
    await browser.press(Key.ENTER);
  }
  await hand.toBench();
  await hand.until('Counter against tape');
}
const answer = () => browser.shown('[data-test=counter-answer]');
const read = async (reading: string): Promise<void> => {
  await (await browser.field('Counter reads at the mark')).sendKeys(reading, Key.ENTER);
};
const walks = async () => (await hand.state()).walks;
/** Metres that were moved on the main at its counter. */
const mainMoved = async (): Promise<number> => (await hand.state()).metres.main ?? 0;

describe('a set of three counter reels', () => {
  it('the first agrees at the second walk, once it is read between the figures, and only then is cut', async () => {
    await toCounter('Set 30, left');
    await read('31');
    expect(await answer()).toMatch(/Add/);
    const before = await mainMoved();
    await browser.press(Key.ENTER);
    await browser.until(async () => (await mainMoved()) > before + 3, 'what went on is counted on the main');
    await read('30');
    await browser.text('too coarse to tell', 'p');
    await read('30.0');
    await browser.text('It agrees', 'div');
    await browser.press(Key.ENTER);
    await hand.stepComes('Cut, clip, tape');
    await hand.until('Tag and close');
    tags.push(await hand.close());
    const { fills } = await browser.api<Reel>(`/reels/${tags[0]!}`);
    expect(fills[0]!.counter).toMatchObject({ unit: 'm', match: 30, agrees: true });
    expect(fills[0]!.counter!.walks).toHaveLength(3);
    await browser.text('It agrees with the tape', 'b');
    await browser.find('[data-test=counter-table]');
  });

  it('the next of its kind is aimed by what the first one taught', async () => {
    await hand.fill({
      ...REEL,
      customer: CUSTOMER,
      name: 'Set 30, left',
      length: '150 m',
      backing: 'JM-204',
    });
    expect(await browser.shown('[data-test=counter-aim]')).toContain('should agree at 30');
  });

  it('the second is out of reach, which is said before the second walk, and is left with its table', async () => {
    await toCounter('Set 30, shallow');
    await read('36');
    await browser.text('Walk once more before you believe it', 'p');
    await read('36');
    expect(await answer()).toContain('cannot be matched at 30');
    expect(await answer()).toContain('At the nearest level it shows');
    await browser.press(Key.ENTER);
    await hand.stepComes('Cut, clip, tape');
    await hand.until('Tag and close');
    tags.push(await hand.close());
    const { fills } = await browser.api<Reel>(`/reels/${tags[1]!}`);
    expect(fills[0]!.counter).toMatchObject({ agrees: false });
  });

  it('asks about a reading that cannot be, and is told what happened by one key', async () => {
    await toCounter('Set 30, right');
    await read('31');
    await answer();
    const before = await mainMoved();
    await browser.press(Key.ENTER);
    await browser.until(async () => (await mainMoved()) > before + 3, 'what went on is counted');
    await read('98');
    await browser.find('[data-test=counter-doubt]');
    expect(await browser.shown('[data-test=counter-doubt]')).toContain('not metres');
    await browser.press('w');
    await browser.until(async () => (await walks()).length === 2, 'it stands in the log, left out');
    expect((await walks())[1]!.left).toBe(true);
  });

  it('the third is walked on a phone in the field with the link cut, and the server has it afterwards', async () => {
    await browser.resize(390, 844);
    try {
      await browser.go('/bench/walks');
      await browser.find('ys-walk-reel input');
      expect(await browser.shown('[data-test=outing]')).toMatch(/to walk/);
      const over = await browser.driver.executeScript<number>(
        'const main = document.querySelector("main"); return main.scrollWidth - main.clientWidth',
      );
      expect(over).toBe(0);
      await browser.offline(true);
      await read('31');
      await browser.text('waiting for the server', 'p');
      // Read wrongly: it is taken back, out of reach too.
      await browser.click('Undo the last entry');
      await browser.until(
        async () => (await browser.driver.findElements({ css: '[data-test=counter-answer]' })).length === 0,
        'the reading is taken back',
      );
      await read('30.0');
      await browser.text('It agrees', 'div');
      // A page that is loaded again out of reach stands where it stood.
      await browser.driver.navigate().refresh();
      await browser.text('It agrees', 'div');
      await browser.click('It agrees: done');
      await browser.text('Its counter is done', 'p');
      await browser.offline(false);
      await browser.until(
        async () => (await hand.state()).current?.kind === 'clip',
        'what was read in the field is in the log',
      );
      expect((await walks()).at(-1)).toMatchObject({ reading: 30, step: 0.1, match: 30 });
    } finally {
      await browser.offline(false);
      await browser.resize(1280, 800);
    }
    await browser.go(`/bench/${String(hand.runId)}`);
    await hand.until('Tag and close');
    tags.push(await hand.close());
  });

  it('stand side by side, with the one to touch and what to do to it', async () => {
    await (await browser.text('Reels used as a set', 'a')).click();
    await browser.find('[data-test=set-table]');
    for (const tag of tags) await browser.text(`${tag} shows`, 'th');
    const touch = await browser.shown('[data-test=touch]');
    // The one that could not be matched: no line moved on it would help.
    expect(touch).toContain(`${tags[1]!} lies apart and cannot be matched on its main`);
    await (await browser.text(tags[1]!, 'label')).findElement({ css: 'input' }).then((box) => box.click());
    await browser.text('leave them as they are', 'p');
  });

  it('tells what the counter shows after a break-off without another walk', async () => {
    await browser.go(`/reels/${tags[0]!}`);
    const before = await browser.shown('[data-test=counter-table]');
    await browser.fill('Broken off', '20 m');
    await browser.until(
      async () => (await browser.shown('[data-test=counter-table]')) !== before,
      'the table is another',
    );
    await browser.text('No walk is needed', 'p');
  });
});
