import type { Fill, Piece, Product, Reel } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JH-204': 'N-204', 'JH-207': 'N-207', 'JH-208': 'N-207', 'JH-220': 'N-220' },
});

const REEL = { gear: '5.2:1', rating: '208 x 0.25', lip: '46 mm', main: 'JH-207', backing: 'JH-204' };
const reelOf = (tag: string) => browser.api<Reel>(`/reels/${tag}`);
const lastFill = async (tag: string): Promise<Fill> => (await reelOf(tag)).fills[0]!;
const readDepth = async (depth: string): Promise<void> => {
  await (await browser.field('Depth below the lip')).sendKeys(depth, Key.ENTER);
};
const soFar = (): Promise<number> => browser.figure('[data-test=turns-so-far]');
const mainOf = async (tag: string) => (await lastFill(tag)).layers.filter(({ id }) => id === 'main');

describe('a layer wound by eye', () => {
  it('is counted on once the gap sent it back into winding, and is on record with both', async () => {
    await hand.book({ ...REEL, customer: 'Eye Again', name: 'Eye again 3000', length: '120 m' });
    await hand.until('Main', { 'Read backing depth': () => hand.done() });
    await hand.count(20);
    await browser.press(Key.ENTER, 'e');
    await hand.stepComes('Read the gap');
    const { gap = 0 } = (await hand.run()).job.planInput.request;
    await readDepth(`${(gap + 1.6).toFixed(1)} mm`);
    await browser.text('Add', 'b');
    await browser.press('b');
    await hand.stepComes('Main');
    const before = await soFar();
    const toGo = Number(await browser.shown('[data-test=turns-to-go]'));
    expect(toGo).toBeGreaterThan(20);
    await browser.press(' ');
    await browser.until(async () => (await soFar()) === before + 10, 'ten turns count');
    await hand.count(before + toGo);
    await browser.press(Key.ENTER);
    await hand.stepComes('Read the gap');
    await readDepth(`${gap.toFixed(1)} mm`);
    await hand.until('Tag and close');
    const [main] = await mainOf(await hand.close());
    expect(main!.lengthMm).toBeGreaterThan(100_000);
    expect(main!.lengthMm).toBeLessThan(145_000);
  });
});

describe('the wrong piece', () => {
  it('was on all along: no join, its own lot, and the other piece keeps its line', async () => {
    const left = async (code: string): Promise<number> =>
      (await browser.api<{ piece: Piece }>(`/pieces/${code}`)).piece.lengthMm;
    const before = await left('JH-207');
    await hand.book({ ...REEL, customer: 'Wrong Piece', name: 'Wrong piece 3000', length: '100 m' });
    await hand.until('Main', { 'Read backing depth': () => hand.done() });
    await hand.count(60);
    await browser.press('x');
    await (await browser.text('On all along', 'label')).click();
    await browser.click('JH-208');
    await browser.text('from JH-208', 'span');
    await hand.until('Tag and close');
    const mains = await mainOf(await hand.close());
    expect(mains.map(({ pieceCode }) => pieceCode)).toEqual(['JH-208']);
    expect(await left('JH-207')).toBe(before);
  });
});

describe('a supply that runs out early', () => {
  it('asks whose the missing metres are, then goes on with the next piece', async () => {
    const product = (await browser.api<Product[]>('/products')).find(({ code }) => code === 'CN-26')!;
    const piece = { product: { id: product.id }, kind: 'bulk', place: 'Counter' };
    await browser.post('/pieces', { ...piece, code: 'JH-300', lengthMm: 200_000 });
    await hand.book({
      ...REEL,
      main: 'JH-300',
      customer: 'Runs Out',
      name: 'Runs out 3000',
      length: '140 m',
    });
    await hand.until('Main', { 'Read backing depth': () => hand.done() });
    await hand.count(120);
    await browser.press('u');
    await browser.text('JH-300 held', 'p');
    await browser.press('1');
    await browser.text('a join here lies', 'p');
    await browser.click('Join ');
    await browser.until(async () => (await hand.state()).pieces.length === 1, 'the next piece is taken');
    await hand.until('Tag and close');
    const mains = await mainOf(await hand.close());
    expect(mains).toHaveLength(2);
    expect(mains[0]!.pieceCode).toBe('JH-300');
    const { piece: empty } = await browser.api<{ piece: Piece }>('/pieces/JH-300');
    expect(empty.lengthMm).toBe(0);
  });
});

describe('old line that stays on', () => {
  it('is kept by a key, as the line it is, and its loss on the water moves what is on the reel', async () => {
    await hand.book({ ...REEL, customer: 'Keeps Line', name: 'Keeps 3000', length: '100 m' });
    await hand.until('Tag and close');
    const tag = await hand.close();
    const first = await lastFill(tag);
    await browser.text('Line lost on the water', 'summary').then((summary) => summary.click());
    await browser.fill('Line lost since then', '30 m');
    await browser.text('left on top', 'p');
    await browser.click('Record the loss');
    await browser.text('of line lost since it was filled', 'summary');
    const on = async () => (await reelOf(tag)).spools[0]!.on!;
    expect((await on()).lines.at(-1)!.lengthMm).toBe(first.layers.at(-1)!.lengthMm - 30_000);
    await (await browser.text('Book it in, as last time', 'a')).click();
    await browser.text('On it by the record:', 'p');
    await browser.click('Keep the');
    await browser.find('ys-plan-view pattern');
    await hand.toBench();
    const { planInput } = (await hand.run()).job;
    expect(planInput.request.layers.map(({ kind }) => kind)).toEqual(['retained', 'line']);
    expect(planInput.request.layers[0]).toMatchObject({ line: first.layers[0]!.line });
    await hand.until('Tag and close');
    await hand.close();
    const again = await lastFill(tag);
    expect(again.layers.map(({ role, lineName }) => [role, lineName])).toEqual([
      ['kept', first.layers[0]!.lineName],
      ['main', first.layers[1]!.lineName],
    ]);
    expect(again.layers[0]!.pieceCode).toBe('JH-204');
  });
});

describe('a counter of a reel filled elsewhere', () => {
  it('is asked about, booked, walked and matched, and only what went on comes off the rack', async () => {
    const left = async (): Promise<number> =>
      (await browser.api<{ piece: Piece }>('/pieces/JH-220')).piece.lengthMm;
    const before = await left();
    await browser.go('/bags/counter');
    await browser.fill('Counter reads', '33');
    await browser.fill('Line on top, diameter', '0.45 mm');
    await browser.text('Add about', 'b');
    await browser.click('Book it in');
    await browser.fill('Customer', `Counter Only ${String(Date.now())}`);
    await browser.fill('Reel', 'Harling only 30');
    await browser.fill('Lip diameter', '58 mm');
    await browser.text('Its line stays on: the counter is matched.', 'h2');
    await hand.toBench();
    expect((await hand.run()).job.wants).toMatchObject({
      counterOnly: true,
      onItNow: 'counter reads 33 m at 30 m',
    });
    await readDepth('8 mm');
    await hand.stepComes('Counter against tape');
    const read = async (reading: string): Promise<void> => {
      await (await browser.field('Counter reads at the mark')).sendKeys(reading, Key.ENTER);
    };
    await read('33');
    expect(await browser.shown('[data-test=counter-answer]')).toContain('Add');
    await (await browser.text('Off which piece does it come?', 'summary')).click();
    await browser.fill('Piece or line', 'JH-220');
    await browser.click('JH-220');
    await browser.find('[data-test=added-off]');
    const moved = async (): Promise<number> => (await hand.state()).metres.main ?? 0;
    await browser.press(Key.ENTER);
    await browser.until(async () => (await moved()) > 3, 'what went on is counted');
    await read('30.0');
    await browser.text('It agrees', 'div');
    await browser.press(Key.ENTER);
    // The gap was read before any of that: it is asked about again, and never shown as read.
    await hand.stepComes('Read the gap');
    await readDepth('5.2 mm');
    await hand.until('Tag and close');
    const added = await moved();
    const fill = await lastFill(await hand.close());
    expect(fill.layers.map(({ pieceCode }) => pieceCode)).toEqual([null, 'JH-220']);
    expect(fill.layers[1]!.lengthMm / 1000).toBeCloseTo(added, 0);
    expect(fill.counter).toMatchObject({ agrees: true, match: 30 });
    expect(fill.gapRead).toBe(5.2);
    expect(before - (await left())).toBeCloseTo(fill.layers[1]!.lengthMm + 2000, -1);
  });
});

describe('a counter matched after the gap was read', () => {
  it('has its gap read again, and what was refused at a step is gone at the next', async () => {
    await hand.book({
      type: 'Trolling',
      gear: '4.2:1',
      rating: '260 x 0.45',
      lip: '58 mm',
      main: 'JH-220',
      backing: 'JH-204',
      customer: 'Gap Again',
      name: 'Gap again 30',
      length: '150 m',
    });
    await hand.until('Read the gap');
    await (await browser.field('Depth below the lip')).sendKeys('no depth');
    await browser.driver.executeScript('document.activeElement.blur()');
    await browser.press(Key.ENTER);
    await browser.text('Put the depth right first');
    await (await browser.field('Depth below the lip')).clear();
    const { gap = 0 } = (await hand.run()).job.planInput.request;
    await readDepth(`${gap.toFixed(1)} mm`);
    await hand.stepComes('Counter against tape');
    expect(await browser.shown('ys-bench-run')).not.toContain('Put the depth right first');
    await (await browser.field('Counter reads at the mark')).sendKeys('32', Key.ENTER);
    await browser.find('[data-test=counter-answer]');
    await browser.press(Key.ENTER);
    await (await browser.field('Counter reads at the mark')).sendKeys('30.0', Key.ENTER);
    await browser.text('It agrees', 'div');
    await browser.press(Key.ENTER);
    await hand.stepComes('Read the gap');
    await hand.done();
    await hand.until('Tag and close');
    // Left unread, the gap of before is no gap on record: it stands where the count has it.
    const fill = await lastFill(await hand.close());
    expect(fill.gapRead).toBeNull();
    expect(fill.gapByCount).toBeLessThan(gap);
  });
});
