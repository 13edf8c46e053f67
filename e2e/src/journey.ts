import type { Page, Piece, Product, ReelRow } from '@yard-spool/contract';
import { afterAll, afterEach, beforeAll } from 'vitest';
import { BenchHand } from './bench-hand';
import { Browser } from './browser';

/** Metres on a piece that a file of journeys brings. */
const PLENTY = 2500;

interface Begins {
  readonly who?: readonly [name: string, passcode: string];
  /** Pieces of the file's own, by their code, each of the same line as a piece of the demo. */
  readonly brings?: Readonly<Record<string, string>>;
}

/**
 * Opens a browser for one file of journeys, signed in, with pieces of its own on the rack, and closes it behind the last
 * of them. A failure leaves its picture and what the browser said.
 */
export function journey(
  begin: (opened: { readonly browser: Browser; readonly hand: BenchHand }) => unknown,
  { who = ['Joss', 'plover-7'], brings = {} }: Begins = {},
): void {
  let browser: Browser;
  beforeAll(async () => {
    browser = await Browser.open();
    await browser.signIn(...who);
    await bring(browser, brings);
    await begin({ browser, hand: new BenchHand(browser) });
  });
  afterAll(() => browser.close());
  afterEach(async ({ task }) => {
    if (task.result?.state === 'fail') await browser.keepPicture(task.name);
  });
}

/** The tag of a reel that was filled here: anybody's, or one customer's. */
export async function filledReel(browser: Browser, customer = ''): Promise<string> {
  const { rows } = await browser.api<Page<ReelRow>>(`/reels?q=${encodeURIComponent(customer)}`);
  const reel = rows.find(({ filledAt }) => filledAt !== null);
  if (!reel) throw new Error(`No reel ${customer ? `of ${customer} ` : ''}was filled here.`);
  return reel.tag;
}

/** Puts pieces on the rack that no other file takes line from. */
async function bring(browser: Browser, brings: Readonly<Record<string, string>>): Promise<void> {
  const wanted = Object.entries(brings);
  if (wanted.length === 0) return;
  const pieces = await browser.api<Piece[]>('/pieces');
  for (const [code, like] of wanted) {
    const product: Product | undefined = pieces.find((piece) => piece.code === like)?.product;
    if (!product) throw new Error(`The demo has no piece ${like}.`);
    if (pieces.some((piece) => piece.code === code)) continue;
    await browser.post('/pieces', {
      code,
      product: { id: product.id },
      kind: 'bulk',
      place: 'Journeys',
      lengthMm: PLENTY * 1000,
    });
  }
}
