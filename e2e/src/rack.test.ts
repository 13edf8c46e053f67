import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Move, Piece } from '@yard-spool/contract';
import { Key } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import type { Browser } from './browser';
import { journey } from './journey';

let browser: Browser;
journey((opened) => ({ browser } = opened));

const ledger = () => browser.api<{ piece: Piece; moves: Move[] }>('/pieces/J-400');
/** Waits until the ledger on the screen begins with this. */
const newest = (words: string) =>
  browser.until(
    async () => (await browser.shown('ys-piece-ledger')).includes(words),
    `the ledger tells "${words}"`,
  );

describe('one piece of line, from the van to the bin', () => {
  it('is received with what is printed on it', async () => {
    await browser.go('/rack');
    await browser.find('ys-piece-card');
    await browser.click('Add a spool');
    await browser.choose('Line', 'Smoke nylon 0.20');
    await browser.fill('Piece code', 'j-400');
    await browser.fill('Length on it', '3000');
    await browser.fill('Place', 'Wall J');
    await (await browser.find('details summary')).click();
    await browser.fill('Price of the whole', '46.50');
    await browser.fill('Empty spool', '118.5 g');
    await browser.press(Key.ENTER);
    await browser.text('Received', 'b');
    expect((await ledger()).piece).toMatchObject({ lengthMm: 3_000_000, priceMinor: 4650, place: 'Wall J' });
    const card = (await browser.shown('ys-piece-card')).replace(/\u00a0/g, ' ');
    expect(card).toContain('€ 1.55 per 100 m');
  });

  it('is counted, and the books follow by a line of the ledger', async () => {
    await browser.click('Count');
    await browser.fill('Line on it, as counted', '2800 m');
    await browser.fill('How it was counted', 'against the door');
    await browser.press(Key.ENTER);
    await newest('against the door');
    expect((await ledger()).piece.lengthMm).toBe(2_800_000);
  });

  it('is weighed on the bench scale, with the range of its metres', async () => {
    await browser.click('Weigh in');
    await browser.click('Read the scale');
    await browser.text('m on it, likely', 'p');
    expect(await (await browser.field('With its spool')).getAttribute('value')).toBe('216.8 g');
    await browser.text('The books are within that', 'p');
    await browser.click('Set the books all the same');
    await newest('216.8 g with its spool of 118.5 g');
    const { piece, moves } = await ledger();
    expect(piece.lengthMm).toBe(moves.reduce((sum, { lengthMm }) => sum + lengthMm, 0));
    expect(Math.round(piece.lengthMm / 1000)).toBe(2745);
  });

  it('goes into a tub, is marked as soaking, and cannot be weighed wet', async () => {
    await browser.click('Soak');
    await browser.text('of what it can, a wound pack less', 'p');
    await browser.choose('Tub', 'Right tub');
    await browser.click('Put it in');
    await browser.text('in Right tub, ready', 'ys-water-mark');
    await browser.click('Weigh in');
    await browser.fill('With its spool', '230 g');
    await browser.click('Set the books');
    await browser.text('This spool is wet', 'b');
    expect(await (await browser.field('With its spool')).getAttribute('value')).toBe('230 g');
    await browser.click('Cancel');
  });

  it('lies in its tub with what it has taken up, and comes out wet', async () => {
    await browser.go('/rack/tubs');
    const row = await browser.text('J-400', 'b');
    expect(await row.getText()).toBe('J-400');
    await browser.text('Ready in 1 h', 'p');
    await browser.go('/rack');
    await browser.fill('Find', 'j-400');
    await browser.click('Take it out');
    await browser.text('wet until', 'ys-water-mark');
  });

  it('goes into the nylon bin, by its length, and off the rack', async () => {
    await browser.click('Write off');
    await browser.click('Into the bin');
    await browser.until(
      async () => !(await browser.shown('ys-rack-page')).includes('J-400 Smoke'),
      'the piece is let go',
    );
    await browser.until(async () => (await ledger()).piece.writtenOff, 'it is written off');
    expect((await ledger()).piece).toMatchObject({ writtenOff: true, lengthMm: 0 });
    await browser.go('/rack/recycling');
    await browser.text('by its length', 'span');
  });

  it('can still be seen as the rack was, by its ledger', async () => {
    const { moves } = await ledger();
    expect(moves.map(({ kind }) => kind)).toEqual(['received', 'counted', 'weighed', 'recycled']);
  });
});

describe('files', () => {
  const folder = mkdtempSync(join(tmpdir(), 'yard-spool-files-'));
  const HEAD =
    'code,product,kind,place,received_m,left_m,lot,price,tare_g,flange_mm,core_mm,wound,leaves,new_on\n';
  const choose = async (name: string, text: string): Promise<void> => {
    const file = join(folder, name);
    writeFileSync(file, text);
    // The page may be drawn again between finding the field and giving it the file.
    await browser.again(async () => (await browser.find('input[type=file]')).sendKeys(file));
  };

  it('with something wrong in them are told row by row and change nothing', async () => {
    await browser.go('/rack/files');
    await choose(
      'half.csv',
      `${HEAD}J-501,SN-20,bulk,Wall,300,300,,,,,,rolled,clockwise,\nJ-502,SN-20,bulk,Wa`,
    );
    await browser.text('1 of 2 rows is wrong. Nothing was imported.', 'p');
    await browser.text('This row stops half way', 'td');
    expect((await browser.api<Piece[]>('/pieces')).some(({ code }) => code === 'J-501')).toBe(false);
  });

  it('that are right are shown first and then imported whole', async () => {
    await choose('right.csv', `${HEAD}J-501,SN-20,bulk,Wall,300,280,,,,,,rolled,clockwise,\n`);
    await browser.text('The one row of right.csv is right. Nothing is imported yet.', 'p');
    await browser.click('Import all 1');
    await browser.text('Imported: 1 row', 'p');
    const piece = (await browser.api<Piece[]>('/pieces')).find(({ code }) => code === 'J-501');
    expect(piece).toMatchObject({ lengthMm: 280_000, receivedMm: 300_000 });
  });

  it('of a shop’s own are taken as they are: its columns are found, and put right where they are not', async () => {
    await (await browser.text('import a stock list', 'a')).click();
    await choose('ours.csv', 'Name;Ø;Full;Shelf\nOurs of nylon;0,31;1.200;Cellar\n');
    await browser.text('Say which column is: Length of a full one.', 'td');
    await browser.again(async () => {
      const is = await browser.find('select[aria-label="Full is the"]');
      await (await is.findElement({ css: 'option[value=length]' })).click();
    });
    await browser.click('Import 1 piece');
    await browser.text('Imported: 1 piece and 1 new line.', 'p');
    const piece = (await browser.api<Piece[]>('/pieces')).find(({ place }) => place === 'Cellar');
    expect(piece).toMatchObject({ code: 'OUR-31-1', lengthMm: 1_200_000 });
  });

  it('say nothing the browser complains of', async () => {
    // The refused wet weigh-in is told as an answer of 409, which the browser counts as a failed load.
    const complaints = (await browser.complaints()).filter((message) => !message.includes('409'));
    expect(complaints).toEqual([]);
  });
});
