import type { Bag, Piece } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { BenchHand } from './bench-hand';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
let hand: BenchHand;
journey((opened) => ({ browser, hand } = opened), {
  brings: { 'JS-401': 'H-401', 'JS-204': 'N-204', 'JS-207': 'N-207' },
});

const REEL = {
  customer: 'Counter Says',
  name: 'Says 3000',
  gear: '5.2:1',
  main: 'JS-207',
  backing: 'JS-204',
  rating: '210 x 0.25',
  length: '100 m',
} as const;
const booked = async (): Promise<Bag> => {
  await hand.booked();
  return hand.bag();
};
const plain = (text: string): string => text.replace(/\u00a0/g, ' ');

describe('what is said at the counter', () => {
  it('two prints of one spool are read each with its material, in the field itself', async () => {
    await hand.fill({ ...REEL, rating: 'mono 12 lb/200, braid 30 lb/200' });
    const words = plain(await browser.shown('ys-print-words'));
    expect(words).toMatch(/200 .*nylon/);
    expect(words).toMatch(/200 .*braid/);
    const [job] = (await booked()).jobs;
    const prints = job!.planInput.observations.filter(({ kind }) => kind === 'rating');
    expect(prints.map((one) => (one.kind === 'rating' ? (one.material ?? 'nylon') : ''))).toEqual([
      'nylon',
      'braid',
    ]);
  });

  it('a promise its line cannot be soaked for is told beside it, with what is possible', async () => {
    await hand.fill(REEL);
    await browser.fill('Promised', 'in 30 minutes');
    await browser.press(Key.TAB);
    await browser.text('Too late to soak it: it would have had to be in the tub by', 'p');
    await browser.fill('Promised', 'in 3 days');
    await browser.press(Key.TAB);
    await browser.until(
      async () => !(await browser.shown('main')).includes('Too late to soak it'),
      'a promise that can be kept is told of no more',
    );
  });

  it('the list tells what goes on, and a bag is found by its tag as it is said', async () => {
    await hand.fill(REEL);
    const [job] = (await booked()).jobs;
    await browser.go('/bags');
    await browser.find('ys-bag-list li');
    const row = await browser.text(`${job!.tag} · Says 3000`, 'li');
    expect(plain(await row.getText())).toMatch(/100 m .+ over \d+ m/);
    const said = String(Number(job!.tag.replace(/\D/g, '')));
    await browser.fill('Find', `r${said}`);
    await browser.until(
      async () => (await browser.driver.findElements({ css: 'ys-bag-list li' })).length <= 2,
      'only what is like it is listed',
    );
    await browser.text(`${job!.tag} · Says 3000`, 'li');
  });
});

describe('the rack on a Sunday', () => {
  it('is counted down one list, and only what was wanted of the differences is taken in', async () => {
    await browser.go('/rack/count');
    await browser.find('[data-test=count-row]');
    const count = async (code: string, amount: string): Promise<void> => {
      await (await browser.find('[data-test=scan]')).sendKeys(code, Key.ENTER);
      await browser.until(
        async () => (await browser.driver.switchTo().activeElement().getAttribute('data-code')) === code,
        `the keyboard is at ${code}`,
      );
      const field = await browser.driver.switchTo().activeElement();
      await field.clear();
      await field.sendKeys(amount, Key.ENTER);
    };
    const lengthOf = async (code: string): Promise<number> =>
      (await browser.api<{ piece: Piece }>(`/pieces/${code}`)).piece.lengthMm / 1000;
    const before = await lengthOf('JS-204');
    await count('JS-401', '2,400 m');
    await count('JS-204', '2,300 m');
    await (await browser.find('[aria-label="Take in JS-204"]')).click();
    await browser.click('Set the books of 1');
    await browser.until(async () => (await lengthOf('JS-401')) === 2400, 'what was taken in is in the books');
    expect(await lengthOf('JS-204')).toBe(before);
  });
});
