import type { Piece } from '@yard-spool/contract';
import { Key, type WebElement } from 'selenium-webdriver';
import { describe, expect, it } from 'vitest';
import { fixedSpool } from './bench-hand';
import type { Browser } from './browser';
import { filledReel, journey } from './journey';

const SIZES = [
  ['1280x800', 1280, 800],
  ['390x844', 390, 844],
] as const;

let browser: Browser;
/** Bags to be cancelled, by the width of the screen. */
const off = new Map<number, number>();
/** What stands for a name in an address, from a reel of this file's own. */
const own: Record<string, string> = {};
journey(
  async (opened) => {
    ({ browser } = opened);
    const { hand } = opened;
    const reel = { ...fixedSpool('FK-207', '120 m', 'FK-204'), customer: 'By Keys' };
    for (const [, width] of SIZES) {
      await hand.fill({ ...reel, name: `Off ${String(width)}` });
      await hand.booked();
      off.set(width, hand.bagNumber);
    }
    await hand.fill({ ...reel, name: 'Keyed 3000' });
    await hand.booked();
    const { number, customer, jobs } = await hand.bag();
    own[':bag'] = String(number);
    own[':customer'] = String(customer.id);
    own[':tag'] = jobs[0]?.tag ?? '';
    own[':line'] = (await browser.api<Piece[]>('/pieces')).find(
      ({ code }) => code === 'FK-208',
    )!.product.name;
    own[':filled'] = await filledReel(browser, 'Wenna Fairholt');
  },
  { who: ['Tova', 'eider-41'], brings: { 'FK-204': 'N-204', 'FK-207': 'N-207', 'FK-208': 'N-207' } },
);

/** Where the form opens, the piece of the rack it is about, the button that opens it, and what is typed in which field. */
const FORMS: readonly (readonly [
  address: string,
  opener: string,
  typed: Readonly<Record<string, string>>,
])[] = [
  ['/bags/:bag', 'Change due time or notes', { Notes: 'by keys' }],
  ['/reels/:tag', 'Change tag, name or owner', { 'What tells it from others like it': 'red knob' }],
  [
    '/reels/:filled',
    'Record a comeback',
    { 'What the customer sees': Key.ARROW_DOWN, 'In their words': 'by keys' },
  ],
  ['/reels/:filled', 'Correct the record', { 'It was': ':gap', Why: 'by keys' }],
  ['/reels/customer/:customer', 'Change name or contact', { 'How they are reached': 'after six' }],
  ['/rack FK-208', 'Count', { 'Line on it, as counted': '2400 m', 'How it was counted': 'by keys' }],
  ['/rack FK-208', 'Weigh in', { 'With its spool': '220 g', 'Empty spool': '100 g' }],
  ['/rack FK-208', 'Move, rename', { Place: 'Keyed' }],
  ['/rack FK-208', 'On its box', {}],
  ['/rack FK-208', 'Add a spool', { Line: ':line', 'Piece code': 'FK-:wide', 'Length on it': '100 m' }],
  ['/house/benches', 'Change it', {}],
  ['/house/people', 'Name and role', {}],
  ['/bags/:off', 'Cancel this reel', { Why: 'by keys' }],
];

const named = (text: string): string => text.replace(/:\w+/g, (name) => own[name] ?? name);
const active = (): Promise<WebElement> => browser.driver.switchTo().activeElement();
const inForm = (): Promise<boolean> =>
  browser.driver.executeScript<boolean>('return document.activeElement?.closest("main form") != null');
const labelled = (): Promise<string> =>
  browser.driver.executeScript<string>(
    'const one = document.activeElement; return (one.labels?.[0]?.innerText ?? one.innerText ?? "").trim()',
  );

const atSave = (): Promise<boolean> =>
  browser.driver.executeScript<boolean>('return document.activeElement.matches("form button.go")');

async function toOpener(address: string, opener: string): Promise<void> {
  const [page = '', piece] = named(address).split(' ');
  await browser.go(page);
  if (piece) {
    await browser.fill('Find', piece);
    await browser.text(piece, 'h2');
  }
  await (await browser.text(opener, 'button')).sendKeys(Key.ENTER);
  await browser.until(inForm, `the form of "${opener}" has the keyboard`);
}

/** Goes on by Tab until the keyboard is where it is wanted. */
async function tabTo(isThere: () => Promise<boolean>, what: string): Promise<void> {
  for (let i = 0; i < 40; i += 1) {
    if (await isThere()) return;
    await browser.press(Key.TAB);
  }
  throw new Error(`${what} is not reached by Tab`);
}

describe.each(SIZES)('at %s', (_size, width, height) => {
  it.each(FORMS)(
    '%s, “%s”: opens with the keyboard in it, is left by Escape, and is saved by keys',
    async (address, opener, typed) => {
      await browser.resize(width, height);
      own[':wide'] = String(width);
      own[':gap'] = `${String(width / 1000)} mm`;
      own[':off'] = String(off.get(width));
      await toOpener(address, opener);
      await browser.press(Key.ESCAPE);
      await browser.until(async () => (await labelled()) === opener, `"${opener}" has the keyboard again`);
      await (await active()).sendKeys(Key.ENTER);
      await browser.until(inForm, 'the form has the keyboard again');
      for (const [field, text] of Object.entries(typed)) {
        await tabTo(async () => (await labelled()).startsWith(field), field);
        await (await active()).sendKeys(Key.chord(Key.CONTROL, 'a'), named(text));
      }
      await tabTo(atSave, 'the button that saves');
      await browser.press(Key.ENTER);
      await browser.until(async () => !(await inForm()), 'the form is gone');
      await browser.until(
        () => browser.driver.executeScript<boolean>('return document.activeElement !== document.body'),
        'the keyboard is somewhere',
      );
      expect(await browser.complaints()).toEqual([]);
    },
  );
});

it('what is refused leaves the keyboard in the form', async () => {
  await toOpener('/rack FK-208', 'Move, rename');
  await (await active()).sendKeys(Key.chord(Key.CONTROL, 'a'), 'FK-207');
  await tabTo(atSave, 'the button that saves');
  await browser.press(Key.ENTER);
  await browser.find('main form [role=alert]');
  await browser.until(inForm, 'the keyboard is in the form');
  expect((await browser.complaints()).filter((one) => !one.includes('409'))).toEqual([]);
});
