import type { Fill, Piece, Reel } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand, TypedReel } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JO-204': 'N-204', 'JO-207': 'N-207', 'JO-303': 'B-303' },
});

const headline = () => browser.shown('[data-test=plan-headline]');
const planned = (start: string) =>
  browser.until(async () => (await headline()).startsWith(start), `the plan says "${start}"`);
const rack = () => browser.api<Piece[]>('/pieces');
const pieceOf = async (code: string): Promise<Piece> => (await rack()).find((one) => one.code === code)!;
const fillOf = async (tag: string): Promise<Fill> => (await browser.api<Reel>(`/reels/${tag}`)).fills[0]!;
const REEL = { gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', backing: 'JO-204' } as const;
const reel = (more: Partial<TypedReel> & { customer: string }): TypedReel => ({
  ...REEL,
  name: `Job ${more.customer}`,
  main: 'JO-207',
  length: '100 m',
  ...more,
});
/** Another piece of the same line as one that is there. */
async function receive(code: string, like: string, kind: string, metres: number): Promise<void> {
  const { product } = await pieceOf(like);
  await browser.post('/pieces', {
    code,
    product: { id: product.id },
    kind,
    place: 'Journeys',
    lengthMm: metres * 1000,
  });
}

describe('how much goes on', () => {
  it('backing to half to five eighths of the spool, main as much as fits', async () => {
    await hand.fill(reel({ customer: 'Shares', length: 'as much as fits', planned: false }));
    await browser.fill('How much backing', 'half to five eighths of the spool');
    await planned('Holds');
    await browser.text('deep', 'p');
    await hand.booked();
    const [job] = (await hand.bag()).jobs;
    expect(job!.planInput.request.layers).toMatchObject([
      { id: 'backing', length: { share: [0.5, 0.625] } },
      { id: 'main', length: 'fits' },
    ]);
    const { innerRadius, outerRadius } = job!.plan.layers[0]!;
    const lip = job!.plan.layers[0]!.depthAfter.value + outerRadius;
    expect((outerRadius - innerRadius) / (lip - innerRadius)).toBeCloseTo(0.5625, 6);
  });

  it('a bare share asks what it is of, and is answered with one press', async () => {
    await hand.fill(reel({ customer: 'Asked' }));
    await browser.fill('How much backing', 'half');
    await browser.text('half of what?', 'p');
    await browser.click('of the spool');
    await planned('Ends');
  });

  it('two wraps of tape and exactly 300 yd: the gap is what comes out', async () => {
    await hand.fill(reel({ customer: 'Taped', length: '300 yd' }));
    await (await browser.text('Tape', 'label')).click();
    await browser.fill('Wraps of tape', '2');
    // As much as that stands above its lip, and is said to.
    await planned('Stands');
    expect(await headline()).toContain('proud of the lip');
    await browser.text('Ways out', 'b');
    expect(await browser.shown('[data-test=plan-likely]')).toMatch(/likely .* to/);
  });
});

describe('packs used up', () => {
  it('one 200 yd pack serves two reels by halves, to the end', async () => {
    await receive('JO-PACK', 'JO-303', 'pack', 182.88);
    await hand.fill(reel({ customer: 'Halves', main: 'JO-PACK', length: 'half the pack' }));
    await browser.text('enough for 1 more like it', 'span');
    await browser.driver.actions().keyDown(Key.ALT).sendKeys('l').keyUp(Key.ALT).perform();
    await browser.find('[aria-label="Reel 2 of the bag"][aria-pressed=true]');
    await browser.text('uses all of it', 'span');
    await hand.booked();
    const { jobs } = await hand.bag();
    expect(jobs.map(({ cuts }) => cuts[1])).toMatchObject([
      { lengthMm: 91_440, tailMm: 0 },
      { lengthMm: 91_440, tailMm: 0 },
    ]);
    expect(await pieceOf('JO-PACK')).toMatchObject({ promisedMm: 182_880 });
  });
});

describe('a shortfall', () => {
  it('within the doubt is said, its ways out are one key away, and it can be booked', async () => {
    await hand.fill(reel({ customer: 'Short', length: 'as much as fits', planned: false }));
    await (await browser.text('Nothing', 'label')).click();
    await planned('Holds');
    const fits = Number(/Holds (\d+)/.exec(await headline())![1]);
    await (await browser.text('Backing', 'label')).click();
    await browser.fill('How much main', `${String(fits + 3)} m`);
    await browser.text('which is less than is known of this spool', 'p');
    await browser.text('A smaller gap', 'button');
    await browser.driver.actions().keyDown(Key.ALT).sendKeys('5').keyUp(Key.ALT).perform();
    await planned('Fills to the gap');
    expect(await (await browser.field('Gap below lip')).getAttribute('value')).toMatch(/^\d\.\d mm$/);
    await hand.booked();
  });

  it('of line that has yet to come is booked, says what is short, and waits off the bench', async () => {
    const product = { code: 'JO-NEW', name: 'Journey nylon 0.24', material: 'nylon', diameter: 0.24 };
    await browser.post('/pieces', {
      code: 'JO-SMALL',
      product: { ...product, strengthKg: null, tint: '#bbccdd' },
      kind: 'remnant',
      place: 'Journeys',
      lengthMm: 30_000,
    });
    await hand.fill(reel({ customer: 'Comes', main: 'Journey nylon 0.24, any piece', length: '100 m' }));
    await browser.text('Yet to come: the longest piece is 70\u00a0m short.', 'b');
    await hand.booked();
    await browser.text('Yet to come', 'b');
    await browser.pressWithControl(Key.ENTER);
    await browser.text('This reel waits for', 'p');
  });
});

describe('the customer’s own line', () => {
  it('comes with the bag, is no stock, and what is left goes back with the reel', async () => {
    await hand.fill(reel({ customer: 'Brings', length: '', planned: false }));
    await browser.choose('Main line', 'Their own line');
    await browser.fill('What it is called', 'Green stuff');
    await browser.fill('Diameter', '0.28 mm');
    await browser.fill('How much they brought', '300 m');
    await browser.fill('How much main', '100 m');
    await planned('Fills to the gap');
    await browser.text('their own', 'span');
    await hand.toBench();
    await hand.until('Tag and close');
    await browser.text('What is left of Green stuff is theirs', 'p');
    const tag = await hand.close();
    expect((await fillOf(tag)).layers[1]).toMatchObject({ lineName: 'Green stuff' });
    await browser.go(`/bags/${String(hand.bagNumber)}`);
    await browser.text('Green stuff', 'li');
    await browser.click('Mark as checked');
    await browser.click('Hand it back');
    await browser.text('went back with the bag', 'li');
    const bag = await hand.bag();
    expect(bag.brought[0]).toMatchObject({ back: true });
    expect(bag.brought[0]!.leftMm).toBeGreaterThan(190_000);
  });
});

describe('a quick question', () => {
  it('needs no customer, no tag and no piece, at most twelve keys, and becomes a booking', async () => {
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    let strokes = 0;
    const press = async (...keys: string[]): Promise<void> => {
      strokes += keys.length;
      await browser.press(...keys);
    };
    await press('q');
    await browser.until(
      async () => (await browser.driver.switchTo().activeElement().getAttribute('id')) === 'reel',
      'the keyboard is at the reel',
    );
    await browser.text('Choose the main line.', 'p');
    await press(...Array.from('sker'));
    await browser.find('#reel-option-0');
    await press(Key.ENTER, 'c', Key.TAB, ...Array.from('120'));
    await planned('Fills to the gap');
    expect(strokes).toBeLessThanOrEqual(12);
    expect(await browser.driver.findElements({ css: '#customer' })).toHaveLength(0);
    await browser.pressWithControl(Key.ENTER);
    await browser.fill('Customer', 'Asked first');
    await planned('Fills to the gap');
    await hand.booked();
    const { jobs } = await hand.bag();
    expect(jobs[0]!.label).toMatch(/^Skerrywind/);
    expect(jobs[0]!.cuts.every(({ pieceId }) => pieceId !== null)).toBe(true);
  });
});

describe('old line', () => {
  it('that stays on: how far to strip, then joined, with no knot at the arbor', async () => {
    await hand.fill(reel({ customer: 'Keeps' }));
    await (await browser.text('More about the reel', 'summary')).click();
    await browser.fill('Old line that stays on', '25 yd');
    await browser.text('The old line is taken to be', 'p');
    await hand.toBench();
    expect(await hand.step()).toMatch(/^Strip down to what stays/);
    await browser.text('handle turns.', 'p');
    const passed = await hand.until('Backing');
    expect(passed).toContain('Join to the old line');
    expect(passed.some((name) => name.startsWith('Tie on'))).toBe(false);
    await hand.until('Tag and close', { 'Read backing depth': () => hand.done() });
    const { layers } = await fillOf(await hand.close());
    expect(layers.map(({ role }) => role)).toEqual(['kept', 'backing', 'main']);
  });

  it('turned end for end: nothing is drawn from the rack', async () => {
    await hand.fill(reel({ customer: 'Turns', length: '', planned: false }));
    await browser.choose('Main line', 'Reverse the line');
    await browser.fill('Diameter', '0.26 mm');
    await browser.fill('How much main', '90 m');
    await planned('Fills to the gap');
    await hand.toBench();
    expect((await hand.bag()).jobs[0]!.cuts.map(({ layer }) => layer)).toEqual(['backing']);
    expect(await hand.step()).not.toMatch(/^Strip/);
    await browser.text('turned end for end', 'p');
  });
});
