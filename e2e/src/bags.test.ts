import type { Bag } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { filledReel, journey } from './journey';

let browser: Browser;
journey((opened) => ({ browser } = opened), {
  brings: {
    'JA-401': 'H-401',
    'JA-204': 'N-204',
    'JA-207': 'N-207',
    'JA-220': 'N-220',
    'JA-231': 'N-231',
    'JA-240': 'N-240',
  },
});

const headline = () => browser.shown('[data-test=plan-headline]');
const numberOf = async (): Promise<number> => Number((await browser.driver.getCurrentUrl()).split('/').pop());
/** Waits until the bag's page is there after booking, and reads the bag. */
async function booked(): Promise<Bag> {
  await browser.until(
    async () => /\/bags\/\d+$/.test(await browser.driver.getCurrentUrl()),
    'the bag’s page comes up',
  );
  return browser.api<Bag>(`/bags/${String(await numberOf())}`);
}
async function begin(customer: string): Promise<void> {
  await browser.go('/bags/new');
  await browser.click('Start over');
  await browser.fill('Customer', customer);
}

describe('three like reels', () => {
  it('are booked in by keyboard alone, in at most 45 keystrokes after the customer is found', async () => {
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    await browser.press('n');
    await browser.find('#customer');
    await (await browser.find('#customer')).sendKeys('Wen');
    await browser.find('#customer-option-0');
    await browser.press(Key.ENTER);
    let strokes = 0;
    const press = async (...keys: string[]): Promise<void> => {
      strokes += keys.length;
      await browser.press(...keys);
    };
    await browser.focused('reel');
    await press(...Array.from('sker'));
    await browser.find('#reel-option-0');
    await press(Key.ENTER);
    await press(...Array.from('clear n'));
    await press(Key.TAB, ...Array.from('120'), Key.TAB, Key.TAB, Key.TAB, ...Array.from('st'), Key.TAB);
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    for (const reel of [2, 3]) {
      strokes += 2;
      await browser.driver.actions().keyDown(Key.ALT).sendKeys('l').keyUp(Key.ALT).perform();
      await browser.find(`[aria-label="Reel ${String(reel)} of the bag"][aria-pressed=true]`);
    }
    strokes += 2;
    await browser.pressWithControl(Key.ENTER);
    const bag = await booked();
    expect(strokes).toBeLessThanOrEqual(45);
    expect(bag.jobs).toHaveLength(3);
    expect(new Set(bag.jobs.map(({ tag }) => tag)).size).toBe(3);
    for (const { planInput, label } of bag.jobs) {
      expect(label).toMatch(/^Skerrywind/);
      expect(planInput).toEqual(bag.jobs[0]!.planInput);
    }
  });

  it('are there again as last time, each with its own tag', async () => {
    await begin('Wenna Fair');
    await browser.find('#customer-option-0');
    await browser.press(Key.ENTER);
    await browser.click('as last time');
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    expect(await (await browser.field('Tag')).getAttribute('value')).toMatch(/^R-\d{4}$/);
    expect(await (await browser.field('How much main')).getAttribute('value')).toBe('120 m');
  });
});

describe('a reel by its tag', () => {
  it('brings its customer and its last plan, and takes its spare spool along', async () => {
    const tag = await filledReel(browser, 'Wenna Fairholt');
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.fill('Tag', tag.toLowerCase());
    await browser.press(Key.TAB);
    await browser.text(`${tag} is Wenna Fairholt’s, planned as last time.`, 'p');
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    await browser.choose('Backing line', 'JA-204');
    await browser.click('Add its spare spool');
    await browser.find('[aria-label="Reel 2 of the bag"][aria-pressed=true]');
    await browser.choose('Main line', 'JA-220');
    await browser.fill('How much main', '60 m');
    await browser.pressWithControl(Key.ENTER);
    const bag = await booked();
    expect(bag.customer.name).toBe('Wenna Fairholt');
    expect(bag.jobs.map(({ tag, spool }) => [tag, spool])).toEqual([
      [tag, 'own'],
      [tag, 'spare'],
    ]);
  });

  it('that is new is said to be new', async () => {
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.fill('Tag', 'x-77');
    await browser.press(Key.TAB);
    await browser.text('X-77 is a new tag here.', 'p');
  });
});

describe('a reel without a name', () => {
  it('is booked by what it looks like, and is gone from the form though its last field was still typed in', async () => {
    await begin('Nameless');
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('200 x 0.25');
    await browser.choose('Main line', 'JA-207');
    await browser.choose('Backing line', 'JA-204');
    await (await browser.text('More about the reel, and what is wanted', 'summary')).click();
    await browser.fill('What tells it from others like it', 'red knob');
    await browser.fill('How much main', '100');
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    // Straight from within the field: it is left only as the bag's page comes up.
    await browser.pressWithControl(Key.ENTER);
    const [job] = (await booked()).jobs;
    expect(job).toMatchObject({ label: 'Fixed-spool, no name', looks: 'red knob' });
    await browser.text('Fixed-spool, no name, red knob', 'b');
    await browser.go('/bags/new');
    expect(await (await browser.field('Customer')).getAttribute('value')).toBe('');
    expect(await (await browser.field('How much main')).getAttribute('value')).toBe('');
  });
});

describe('each type of reel', () => {
  const simple = async (type: string, gear: string, rating: string): Promise<void> => {
    await begin(`Type ${type}`);
    await browser.fill('Reel', `A ${type}`);
    await browser.choose('Type', type);
    await browser.fill('Gear ratio', gear);
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys(rating);
    await browser.choose('Main line', 'JA-207');
    await browser.fill('How much main', '100');
    await browser.choose('Backing line', 'JA-204');
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
  };

  it.each([
    ['Fixed-spool', '5.2:1', '200 x 0.25', 'Over the end'],
    ['Baitcaster', '6.3:1', '190 x 0.25', 'Rolling on a spindle'],
    ['Spincast', '4:1', '260 x 0.30', 'Over the end'],
    ['Trolling', '4.2:1', '260 x 0.30', 'Rolling on a spindle'],
  ])('%s has its plan and its supply', async (type, gear, rating, supply) => {
    await simple(type, gear, rating);
    await browser.click('Supply');
    await browser.text(supply, 'b');
    await browser.text('Into the tub by', 'p');
    await browser.pressWithControl(Key.ENTER);
    const bag = await booked();
    expect(bag.jobs[0]!.plan.layers.map(({ id }) => id)).toEqual(['backing', 'main']);
  });

  it('Big game has its three layers, the top shot spliced into hollow braid', async () => {
    await begin('Type big game');
    await browser.fill('Reel', 'A big one');
    await browser.choose('Type', 'Big');
    await browser.fill('Gear ratio', '3:1');
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('600 x 0.70');
    await browser.choose('Main line', 'JA-401');
    await browser.choose('Cushion', 'JA-231');
    await browser.choose('Top shot', 'JA-240');
    await browser.until(async () => (await headline()).startsWith('Holds'), 'the plan is there');
    await browser.pressWithControl(Key.ENTER);
    const [job] = (await booked()).jobs;
    expect(job!.planInput.request.layers).toMatchObject([
      { role: 'cushion', length: 45 },
      { role: 'main', length: 'fits' },
      { role: 'top-shot', length: 270, overlap: 3.66 },
    ]);
    expect(job!.cuts.map(({ pieceCode }) => pieceCode)).toEqual(['JA-231', 'JA-401', 'JA-240']);
  });

  it('a spool nothing is known of gets a wide plan, and is told what to measure first', async () => {
    await begin('Knows nothing');
    await browser.fill('Reel', 'No print on it');
    await browser.choose('Main line', 'JA-207');
    await browser.fill('How much main', '100');
    await browser.choose('Backing line', 'JA-204');
    await browser.text('Nothing is known of this spool', 'p');
    await browser.click('Why');
    await browser.text('Measure across the lip', 'li');
  });
});

describe('another way to build it', () => {
  it('is taken with one key', async () => {
    await begin('Other ways');
    await browser.fill('Reel', 'Choices');
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('200 x 0.25');
    await browser.choose('Main line', 'JA-207');
    await browser.fill('How much main', '100 m');
    await browser.choose('Backing line', 'JA-204');
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    await browser.click('Other ways');
    const places = async (): Promise<number> => {
      const rows = await browser.driver.findElements({ css: 'ys-other-ways > div' });
      const texts = await Promise.all(rows.map((row) => row.getText()));
      return texts.findIndex((row) => row.startsWith('Main only'));
    };
    await browser.until(async () => (await places()) >= 0, 'the ways are shown');
    const mainOnly = await places();
    await browser.press(String(mainOnly + 1));
    await browser.until(async () => (await headline()).startsWith('Holds'), 'main only is planned');
  });
});

describe('a bag that is booked', () => {
  it('is planned again, keeps its history, and is cancelled with its line given back', async () => {
    await begin('Second thoughts');
    await browser.fill('Reel', 'Changing 3000');
    await (await browser.find('[aria-label^="Rating 1"]')).sendKeys('200 x 0.25');
    await browser.choose('Main line', 'JA-207');
    await browser.fill('How much main', '100 m');
    await browser.choose('Backing line', 'JA-204');
    await browser.pressWithControl(Key.ENTER);
    const { number } = await booked();
    await (await browser.text('Plan it again', 'a')).click();
    await browser.until(async () => (await headline()).startsWith('Fills to the gap'), 'the plan is there');
    await browser.fill('How much main', '80 m');
    await browser.click('Save the plan');
    await browser.text('planned again', 'li');
    const bag = await browser.api<Bag>(`/bags/${String(number)}`);
    expect(bag.jobs[0]!.cuts.find(({ layer }) => layer === 'main')!.lengthMm).toBe(80_000);
    await browser.click('Change due time or notes');
    await browser.fill('Notes', 'ring first');
    await browser.click('Save it');
    await browser.text('ring first', 'p');
    await browser.click('Cancel the bag');
    await browser.fill('Why', 'sold it');
    await browser.click('Cancel the bag');
    await browser.text('Cancelled: sold it', 'li');
    expect((await browser.api<Bag>(`/bags/${String(number)}`)).jobs[0]).toMatchObject({
      state: 'cancelled',
      cuts: [],
    });
  });

  it('is found by its state and handed back', async () => {
    await browser.go('/bags');
    await browser.choose('With a reel that is', 'ready');
    await browser.text('None is like that.', 'p');
    await (await browser.find('ys-bag-list li a')).click();
    await browser.click('Hand it back');
    await browser.text('handed back', 'li');
  });
});
