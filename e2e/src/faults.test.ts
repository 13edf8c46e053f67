import type { ComebackFigures, Fill, Page, Piece, Reel, ReelRow } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { fixedSpool, type BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { bringLot, fillByApi } from './fill-by-api';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
let tag = '';
journey((opened) => ({ browser, hand } = opened), { brings: { 'JF-207': 'N-207', 'JF-204': 'N-204' } });

const answer = async (words: string): Promise<void> => {
  const before = await browser.shown('[data-test=known], [data-test=question]');
  await browser.click(words);
  await browser.until(
    async () => (await browser.shown('[data-test=known], [data-test=question]')) !== before,
    `"${words}" is taken`,
  );
};
/** Gives the answers that are true, whatever is asked first, until nothing more is. */
const truth = async (answers: Readonly<Record<string, string>>): Promise<void> => {
  for (;;) {
    const [asks] = await browser.driver.findElements({ css: '[data-test=question] h2' });
    if (!asks) return;
    const words = await asks.getText();
    const known = Object.entries(answers).find(([begins]) => words.startsWith(begins));
    await answer(known?.[1] ?? 'Cannot tell');
  }
};
const first = (): Promise<string> => browser.shown('[data-test=causes] li');
const pieceOf = async (code: string): Promise<Piece> => {
  const piece = (await browser.api<Piece[]>('/pieces')).find((one) => one.code === code);
  if (!piece) throw new Error(`There is no piece ${code}.`);
  return piece;
};
const tagOf = async ({ id }: Fill, customer: string): Promise<string> => {
  const { rows } = await browser.api<Page<ReelRow>>(`/reels?q=${encodeURIComponent(customer)}`);
  for (const row of rows) if ((await reelOf(row.tag)).fills.some((fill) => fill.id === id)) return row.tag;
  throw new Error('Its reel is not in the book.');
};
const reelOf = (of: string): Promise<Reel> => browser.api<Reel>(`/reels/${of}`);

describe('what is wrong with it', () => {
  it('is met at the bench, with the look made, and leads back into the same step', async () => {
    await hand.book({
      ...fixedSpool('JF-207', '100 m', 'JF-204'),
      name: 'Fault 3000',
      customer: 'Fault Finder',
    });
    await hand.until('Read the gap', { 'Read backing depth': () => hand.done() });
    await browser.fill('Depth below the lip', '0.3 mm');
    await browser.press(Key.ENTER);
    await browser.find('[data-test=remedy]');
    await (await browser.text('What may be wrong with it', 'a')).click();
    await browser.text('What is wrong with it', 'h1');
    expect(await browser.shown('[data-test=said]')).toContain('Stands too high');
    expect(await first()).toContain('Too full');
    expect(await browser.shown('[data-test=reasons]')).toContain(
      'It stands higher now than the house fills.',
    );
    await (await browser.text('Back to the bench', 'a')).click();
    await hand.stepComes('Read the gap');
    await browser.find('[data-test=remedy]');
    await browser.click('Leave it so');
    await hand.until('Tag and close');
    tag = await hand.close();
  });

  it('is found for loops of a fill that is too full: metres off, written down, asked about at the next visit', async () => {
    await browser.go(`/reels/${tag}`);
    await browser.click('Record a comeback');
    await browser.choose('What the customer sees', 'throws loops');
    await browser.fill('In their words', 'loops since it was filled');
    await browser.press(Key.ENTER);
    await browser.find('[data-test=causes]');
    expect(await browser.shown('[data-test=known]')).toMatch(
      /It left 0\.3\smm below the lip; the house leaves/,
    );
    await truth({ 'Since when': 'From the first cast', 'How deep': 'Higher than the house fills' });
    expect(await first()).toContain('Too full');
    expect(await browser.shown('[data-test=remedy]')).toMatch(
      /Take [\d.]+\sm off the top, about \d+ turns of the handle/,
    );
    await browser.click('It is this: write it down');
    await browser.fill('What was done', 'eleven metres off');
    await browser.press(Key.ENTER);
    await browser.text('Did that help?', 'p');
    const [back] = (await reelOf(tag)).fills[0]?.comebacks ?? [];
    expect(back).toMatchObject({
      fault: 'too-full',
      cause: 'our-winding',
      saw: 'loops since it was filled',
      worked: null,
    });
    expect(back?.looks).toContainEqual({ look: 'gap-closed', answer: 'higher' });
    await browser.click('It helped');
    await browser.until(
      async () => (await reelOf(tag)).fills[0]?.comebacks[0]?.worked === true,
      'it is written down',
    );
    expect(await browser.complaints()).toEqual([]);
  });

  it('is found by what people say, for a reel nobody here knows: dug in by a snag, and pulled out', async () => {
    await browser.go('/reels');
    await browser.find('input[name=tag]');
    await browser.press('/');
    await browser.driver.actions().sendKeys('it digs in', Key.ENTER).perform();
    await browser.find('[data-test=symptom]');
    await (await browser.text('What may be wrong with it', 'a')).click();
    await browser.find('[data-test=question]');
    await truth({
      'Since when': 'From one moment to the next',
      'Was there a snag': 'Yes',
      'How far out': 'Always at one place',
      'Pull line off': 'It binds',
      'Push the pack': 'It is firm',
    });
    expect(await first()).toContain('Buried by a load');
    expect(await browser.shown('[data-test=remedy]')).toContain('until it runs free');
    // Nothing of it is written down, and the last answer can be taken back by its key.
    expect(await browser.driver.findElements({ css: '[data-test=settle]' })).toEqual([]);
    const told = async (): Promise<string> => {
      const rows = await browser.driver.findElements({ css: '[data-test=known] p' });
      return (await Promise.all(rows.map((row) => row.getText()))).join();
    };
    const before = await told();
    await browser.press(Key.BACK_SPACE);
    await browser.until(async () => (await told()) !== before, 'it is taken back');
  });

  it('is lost line, where a counter is wrong: the record knows it', async () => {
    const fill = await fillByApi(browser, await pieceOf('JF-207'), {
      type: 'trolling',
      customer: 'Fault Troller',
    });
    const tag = await tagOf(fill, 'Fault Troller');
    const mark = (offMm: number) =>
      browser.post(`/fills/${String(fill.id)}/marks`, { kind: 'off', offMm, why: 'a snag' });
    await mark(60_000);
    await browser.go(`/reels/fault?tag=${tag}&say=counter`);
    await browser.find('[data-test=causes]');
    expect(await browser.shown('[data-test=known]')).toMatch(/60\sm went off its top/);
    expect(await first()).toContain('Line was lost on the water');
    expect(await browser.shown('[data-test=remedy]')).toMatch(/Wind [\d.]+\sm of .* on/);
  });

  it('tells a lot of which more came back than chance allows, and leads to its reels', async () => {
    const like = await pieceOf('JF-207');
    const lot = 'LOT-WEAK';
    const weak = await bringLot(browser, like, 'JF-WEAK', lot);
    for (let i = 0; i < 12; i += 1) await fillByApi(browser, like, { customer: 'Fault Others' });
    for (let i = 0; i < 4; i += 1) {
      const { id } = await fillByApi(browser, weak, { customer: 'Fault Weak' });
      await browser.post(`/fills/${String(id)}/comebacks`, {
        complaint: 'breaks',
        saw: 'parted in mid-line',
      });
    }
    const { standsOut } = await browser.api<ComebackFigures>('/comebacks/figures');
    expect(standsOut.map(({ what, name }) => `${what} ${name}`)).toContain(`lot ${lot}`);
    await browser.go('/reels/comebacks');
    await (await browser.text(`The lot ${lot}`, 'b')).click();
    expect(await browser.shown('[data-test=stands-out]')).toMatch(/By chance alone so much happens once in/);
    await (await browser.find('[data-test=stands-out] details[open] a')).click();
    await browser.text('Find what is wrong with it', 'a');
  });
});
