import type { Fill, Piece, Product, Reel } from '@yard-spool/contract';
import { runFacts, runUnderWay } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), { brings: { 'JE-204': 'N-204', 'JE-207': 'N-207' } });

const REEL = { gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', main: 'JE-207', backing: 'JE-204' };
const lastFill = async (tag: string): Promise<Fill> => (await browser.api<Reel>(`/reels/${tag}`)).fills[0]!;

/** Depth the plan expects after the backing, as a calliper would read it. */
async function expectedDepth(): Promise<string> {
  const run = await hand.run();
  const underWay = runUnderWay(run.job.planInput, runFacts(run), await hand.state());
  const layer = underWay!.plan!.layers.find(({ id }) => id === 'backing');
  return `${layer!.depthAfter.value.toFixed(1)} mm`;
}

const readDepth = async (depth: string): Promise<void> => {
  await (await browser.field('Depth below the lip')).sendKeys(depth, Key.ENTER);
};

/** The steps from the gap on, up to the reel's page. */
async function toTheEnd(): Promise<string> {
  await hand.until('Tag and close');
  return hand.close();
}

describe('a pack used up', () => {
  it('is on the reel with what it held, and nothing is found that never was', async () => {
    const product = (await browser.api<Product[]>('/products')).find(({ code }) => code === 'CN-26')!;
    await browser.post('/pieces', {
      code: 'J-150',
      product: { id: product.id },
      kind: 'pack',
      place: 'Counter',
      lengthMm: 150_000,
    });
    await hand.book({ ...REEL, customer: 'Pack Test', name: 'Pack 3000', main: 'J-150', length: '140 m' });
    await hand.until('Main');
    await browser.press(' ');
    // The plan asks for 140 m; the technician winds until the pack is empty.
    await hand.count((await browser.shown('[data-test=turns-to-go]').then(Number)) + 10);
    await browser.press('u');
    await browser.click('Finish the layer here');
    await hand.stepComes('Read the gap');
    await browser.press(Key.ENTER);
    const tag = await toTheEnd();
    const main = (await lastFill(tag)).layers.at(-1)!;
    expect(main.restsOn).toContain('used-up');
    expect(main.lengthMm).toBeGreaterThan(147_000);
    expect(main.lengthMm).toBeLessThanOrEqual(150_000);
    const { piece, moves } = await browser.api<{ piece: Piece; moves: { kind: string }[] }>('/pieces/J-150');
    expect(moves.map(({ kind }) => kind)).not.toContain('found');
    expect(piece.lengthMm).toBeLessThan(3000);
    await browser.text('by the piece used up', 'span');
  });
});

describe('wound by eye', () => {
  it('with depths only, each layer is on the reel with its range', async () => {
    await hand.book({ ...REEL, customer: 'Eye Test', name: 'Eye 3000', length: '120 m' });
    await hand.until('Backing');
    await browser.press(Key.ENTER);
    await browser.text('Wound by eye', 'button');
    const depth = await expectedDepth();
    await browser.press('e');
    await hand.stepComes('Read backing depth');
    await readDepth(depth);
    await hand.stepComes('Join');
    await hand.done();
    await browser.press(Key.ENTER, 'e');
    await hand.stepComes('Read the gap');
    await readDepth(`${(await hand.run()).job.planInput.request.gap!.toFixed(1)} mm`);
    await hand.stepComes('Cut');
    const tag = await toTheEnd();
    const { layers } = await lastFill(tag);
    const planned = (await hand.bag()).jobs[0]!.plan.layers;
    layers.forEach(({ lengthMm, likelyMm: [low, high], restsOn }, i) => {
      expect(restsOn).toEqual(['depth']);
      expect(Math.abs(lengthMm / 1000 / planned[i]!.length.value - 1)).toBeLessThan(0.2);
      expect(high - low).toBeGreaterThan(3000);
    });
  });
});

describe('a gap out of order', () => {
  it('leads back into winding, and is as wanted then', async () => {
    await hand.book({ ...REEL, customer: 'Gap Test', name: 'Gap 3000', length: '120 m' });
    await hand.until('Read the gap');
    const { gap = 0 } = (await hand.run()).job.planInput.request;
    await readDepth(`${(gap - 0.8).toFixed(1)} mm`);
    await browser.find('[data-test=remedy]');
    const [, turns = '0', metres = '0'] =
      /Take off (\d+) turns?, ([\d.]+)/.exec(await browser.shown('[data-test=remedy]')) ?? [];
    expect(Number(turns)).toBeGreaterThan(5);
    expect(Number(metres) / Number(turns)).toBeGreaterThan(0.5);
    await browser.press('b');
    await hand.stepComes('Main');
    await browser.until(
      async () => (await browser.shown('[data-test=to-go-words]')).endsWith('to take off'),
      'it says what to take off',
    );
    const over = Number(await browser.shown('[data-test=turns-over]'));
    expect(Math.abs(over - Number(turns))).toBeLessThanOrEqual(2);
    await hand.count((await browser.figure('[data-test=turns-so-far]')) - over);
    await browser.press(Key.ENTER);
    await hand.stepComes('Read the gap');
    await readDepth(`${gap.toFixed(1)} mm`);
    await hand.stepComes('Cut');
    const tag = await toTheEnd();
    const fill = await lastFill(tag);
    expect(fill.gapRead).toBeCloseTo(gap, 1);
    expect(fill.layers.at(-1)!.lengthMm).toBeLessThan(120_000 - 0.6 * 1000 * Number(metres));
  });
});

describe('an imperial print in pounds', () => {
  it('is taken as it is printed, told in words, asked about where it can be read otherwise, and plans', async () => {
    await browser.go('/bags/new');
    await browser.click('Start over');
    await browser.click('m, mm, kg');
    await browser.fill('Customer', 'Pound Test');
    await browser.fill('Reel', 'Pound 30');
    await browser.fill('Gear ratio', '5.2:1');
    const rating = await browser.find('[aria-label^="Rating 1"]');
    await rating.sendKeys('0.3/200');
    await browser.text('What is “0.3/200”?', 'b');
    await rating.sendKeys(Key.chord(Key.CONTROL, 'a'), '8/140');
    await browser.text('140 yd of 8 lb nylon, about 0.011', 'p');
    await browser.choose('Main line', 'JE-207');
    await browser.fill('How much main', '100');
    await browser.choose('Backing line', 'JE-204');
    await browser.until(
      async () =>
        /^Fills to the gap with \d+ yd of backing\.$/.test(await browser.shown('[data-test=plan-headline]')),
      'the plan is told in yards',
    );
    await hand.toBench();
    const { observations } = (await hand.run()).job.planInput;
    expect(observations[0]).toMatchObject({ kind: 'rating', text: '8/140', printed: { system: 'strength' } });
    await browser.go('/bags');
    await browser.click('yd, in 1/32, lb');
    await browser.click('yd, in .001, lb');
  });
});
