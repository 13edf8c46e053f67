import type { Bag, Fill, Piece, Product, Reel, Run } from '@yard-spool/contract';
import { tell } from '@yard-spool/core';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand, TypedReel } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JC-204': 'N-204', 'JC-207': 'N-207', 'JC-208': 'N-207' },
});

const rack = () => browser.api<Piece[]>('/pieces');
const pieceOf = async (code: string): Promise<Piece> => (await rack()).find((one) => one.code === code)!;
const fillOf = async (tag: string): Promise<Fill> => (await browser.api<Reel>(`/reels/${tag}`)).fills[0]!;
const REEL = { gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', backing: 'JC-204' } as const;
const reel = (more: Partial<TypedReel> & { customer: string }): TypedReel => ({
  ...REEL,
  name: `Job ${more.customer}`,
  main: 'JC-207',
  length: '100 m',
  ...more,
});
describe('sisters', () => {
  it('are planned again from what the first one taught, and told what it took', async () => {
    await hand.fill(reel({ customer: 'Sisters', name: 'Job sister 3000' }));
    await browser.driver.actions().keyDown(Key.ALT).sendKeys('l').keyUp(Key.ALT).perform();
    await browser.find('[aria-label="Reel 2 of the bag"][aria-pressed=true]');
    await hand.toBench();
    const depth = async (): Promise<void> => {
      await (await browser.field('Depth below the lip')).sendKeys('6.6 mm', Key.ENTER);
      await hand.stepComes('Join');
    };
    await hand.until('Tag and close', { 'Read backing depth': depth });
    const first = await hand.close();
    const bag = () => browser.api<Bag>(`/bags/${String(hand.bagNumber)}`);
    const taught = `planned again from what ${first} taught`;
    await browser.until(
      async () => (await bag()).history.some(({ what }) => tell(what, 'metric').includes(taught)),
      taught,
    );
    const { jobs } = await bag();
    const run = await browser.post<Run>('/runs', { jobId: jobs[1]!.id, benchId: 1 });
    await browser.go(`/bench/${String(run.id)}`);
    await browser.find('[aria-current=step]');
    await hand.until('Backing');
    await browser.text(`${first}, its like, took`, 'p');
  });
});

describe('a change of mind at the bench', () => {
  it('another piece in mid-run: the ledger follows', async () => {
    const before = [await pieceOf('JC-207'), await pieceOf('JC-208')];
    await hand.book(reel({ customer: 'Pieces' }));
    await hand.until('Main', { 'Read backing depth': () => hand.done() });
    await hand.count(40);
    await browser.press('x');
    await browser.click('JC-208');
    await browser.until(async () => (await hand.state()).pieces.length === 1, 'the other piece is taken');
    await browser.text('from JC-208', 'span');
    await hand.until('Tag and close');
    const { layers } = await fillOf(await hand.close());
    const mains = layers.filter(({ id }) => id === 'main');
    expect(mains.map(({ pieceCode }) => pieceCode)).toEqual(['JC-207', 'JC-208']);
    const after = [await pieceOf('JC-207'), await pieceOf('JC-208')];
    for (const [i, { lengthMm }] of mains.entries())
      expect(before[i]!.lengthMm - after[i]!.lengthMm - 2000).toBe(lengthMm);
  });

  it('put aside and taken up later', async () => {
    await hand.book(reel({ customer: 'Aside' }));
    await browser.press('x');
    await browser.click('Put it aside');
    await browser.text('Put aside: take it up', 'b');
    await browser.go(`/bench/${String(hand.runId)}`);
    await browser.find('[aria-current=step]');
    await hand.done();
    expect((await hand.state()).aside).toBe(false);
  });

  it('given up with a reason: the line to salvage, the reel back to booked', async () => {
    await hand.book(reel({ customer: 'Gives up' }));
    await hand.until('Backing');
    await hand.count(60);
    await browser.press('x');
    await browser.fill('Why', 'not braid after all');
    await (await browser.text('Salvage', 'label')).click();
    await browser.click('Cancel the fill');
    await browser.text('cancelled at the bench: not braid after all', 'li');
    expect((await hand.bag()).jobs[0]).toMatchObject({ state: 'booked', runId: null });
    const salvage = await pieceOf(`S-R${String(hand.runId)}`);
    expect(salvage.kind).toBe('salvage');
    expect(salvage.lengthMm).toBeGreaterThan(5000);
    const products = await browser.api<Product[]>('/products');
    expect(products.some(({ code }) => code === salvage.product.code)).toBe(true);
  });
});
