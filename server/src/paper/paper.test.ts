import { PAPERS, type Bag, type Fill, type PaperPreview, type Run } from '@yard-spool/contract';
import jsQR from 'jsqr';
import { PNG } from 'pngjs';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { booking, receiveTwo } from '../testing/bookings';
import { filledReel } from '../testing/filled';
import type { Ask } from '../testing/rack';
import { recordedCounter } from '../testing/recorded-counter';
import { darkRuns, picturesOf, wordsOf, type Picture } from '../testing/read-pdf';
import { TestShop } from '../testing/test-shop';

let shop: TestShop;
const nine = new Date().setHours(9, 0, 0, 0);
const begun = Date.now();
/** What soaks first is wound before the shop shuts, whenever this runs. */
const inTheMorning = (): Date => new Date(nine + Date.now() - begun);
let ask: Ask;
let cookie: string;
let run: Run;
let fill: Fill;
let waiting: Bag;
beforeAll(async () => {
  shop = await TestShop.open(inTheMorning);
  ask = await shop.as('Bo');
  cookie = await shop.cookieOf('Bo');
  const brought = [{ name: 'my old braid', material: 'braid', diameter: 0.2, lengthMm: 90_000 }];
  [run, fill] = await filledReel(shop, ask, 'PA', {
    bag: { customer: { name: 'Orla Quay', contact: 'by the slip' } },
  });
  await shop.force(({ tables }) => tables.fills.changeAll({ counter: recordedCounter() }, { id: fill.id }));
  const two = booking(await receiveTwo(ask, 900, 'PB'));
  const jobs = [two.jobs[0], { ...two.jobs[0], label: 'Test 3000 again' }];
  waiting = (await ask<Bag>('POST', '/bags', { ...two, jobs, brought, notes: 'not before noon' })).body;
});
afterAll(() => shop.close());

const addressOf = (asked: Record<string, string>): string => new URLSearchParams(asked).toString();
async function pdfOf(
  what: string,
  of: string | number,
  more: Record<string, string> = {},
): Promise<Uint8Array> {
  const asked = addressOf({ what, of: String(of), ...more });
  const response = await fetch(`${shop.address}/api/paper?${asked}`, { headers: { cookie } });
  const bytes = new Uint8Array(await response.arrayBuffer());
  if (response.status !== 200) throw new Error(Buffer.from(bytes).toString('utf8'));
  expect(response.headers.get('content-type')).toBe('application/pdf');
  return bytes;
}
const wordsOn = async (...asked: Parameters<typeof pdfOf>): Promise<string> =>
  (await wordsOf(await pdfOf(...asked))).join(' ');

describe('a tag', () => {
  const LABELS = [
    ['small', 40, 25],
    ['middle', 60, 35],
    ['large', 80, 50],
  ] as const;

  it.each(LABELS)(
    'on a %s label is one page of %i by %i mm, and a scanner reads its code',
    async (label, w, h) => {
      const pictures = await picturesOf(await pdfOf('tag', run.job.tag, { label }), 12);
      expect(pictures).toHaveLength(1);
      const { width, height, data } = pictures[0]!;
      expect(Math.abs(width / 12 - w)).toBeLessThan(0.4);
      expect(Math.abs(height / 12 - h)).toBeLessThan(0.4);
      expect(jsQR(data, width, height)?.data).toBe(run.job.tag);
    },
  );

  it('says whose reel it is and what is on it; long names are shortened, never put on another label', async () => {
    const words = await wordsOn('tag', run.job.tag.toLowerCase(), { label: 'large' });
    expect(words).toContain(run.job.tag);
    expect(words).toContain('Orla Quay');
    expect(words).toMatch(/\d+ m Test/);
    const long = `${'Wide '.repeat(15)}end`;
    const other = await filledReel(shop, ask, 'PC', {
      bag: { customer: { name: '\u05E9\u05DC\u05D5\u05DD \u{1F3A3} "=1+1"', contact: '' } },
      reel: { label: 'W'.repeat(78) },
    });
    await shop.force(({ tables }) =>
      tables.customers.changeAll({ name: long.slice(0, 80) }, { name: 'nobody' }),
    );
    for (const [label] of LABELS) {
      const pictures = await picturesOf(await pdfOf('tag', other[0].job.tag, { label }), 12);
      expect(pictures).toHaveLength(1);
      const { width, height, data } = pictures[0]!;
      expect(jsQR(data, width, height)?.data).toBe(other[0].job.tag);
    }
  });
});

describe('a bag on paper', () => {
  it('has a claim slip with its number to scan, its reels, its promise, and the customer’s own line', async () => {
    const pdf = await pdfOf('claim-slip', waiting.number);
    const [picture] = await picturesOf(pdf, 12);
    expect(jsQR(picture!.data, picture!.width, picture!.height)?.data).toBe(String(waiting.number));
    const words = (await wordsOf(pdf)).join(' ');
    for (const said of [
      `Bag ${waiting.number}`,
      waiting.jobs[0]!.tag,
      'Test 3000 again',
      '90 m my old braid',
    ])
      expect(words).toContain(said);
    expect(words).toContain('not before noon');
    expect(words).toContain('2 reels, promised for');
  });

  it('has a cut list and a list of what to set out, alone and with all that waits', async () => {
    const cuts = await wordsOn('cut-list', waiting.number);
    for (const { tag, plan } of waiting.jobs) {
      expect(cuts).toContain(tag);
      expect(cuts).toContain(`${plan.layers[0]!.length.value.toFixed(0)} m`);
    }
    expect(cuts).toContain('PB-25');
    expect(cuts).toMatch(/mm deep, join/);
    expect(await wordsOn('cut-list', 'waiting', { units: 'imperial' })).toMatch(/\d yd/);
    const out = await wordsOn('set-out', waiting.number);
    expect(out).toContain('Wall');
    // Each piece once, with what both reels take of it and the tails they lose.
    const taken = waiting.jobs
      .flatMap((job) => job.cuts)
      .filter(({ pieceCode }) => pieceCode === 'PB-25')
      .reduce((sum, { lengthMm, tailMm }) => sum + lengthMm + tailMm, 0);
    expect(out.match(/PB-25/g)).toHaveLength(1);
    expect(out).toContain(`${(taken / 1000).toFixed(0)} m`);
  });

  it('has its reels in the day’s order: what is done at the bench, what is cut, what is set out', async () => {
    const [first, second] = waiting.jobs;
    const order = await wordsOn('running-order', 'today');
    expect(order).toMatch(/Running order: \w+day \d+ \w+/);
    expect(order).toContain('Bench 1');
    expect(order).toMatch(new RegExp(`${first!.tag}, Test 3000 .*over \\d+.m PB-25`));
    expect(order).toMatch(new RegExp(`Bag ${String(waiting.number)} to its shelf`));
    expect(order.indexOf('to its shelf')).toBeGreaterThan(order.indexOf(second!.tag));
    const cuts = await wordsOn('cut-list', 'today');
    for (const { tag } of waiting.jobs) expect(cuts).toContain(tag);
    expect(await wordsOn('set-out', 'today')).toContain('PB-25');
  });

  it('has a hand-back slip with what is on each reel, how to bed it in, and its counter', async () => {
    const pages = await wordsOf(await pdfOf('hand-back', run.bagNumber));
    expect(pages).toHaveLength(1);
    for (const said of [
      'On it:',
      fill.layers[1]!.lineName,
      'free below the lip',
      'To bed it in',
      'Never loose',
    ])
      expect(pages[0]).toContain(said);
    expect(pages[0]).toMatch(/True, m .*30.*Counter/);
    expect(await wordsOn('hand-back', waiting.number)).toContain('Nothing of this bag is filled yet');
  });
});

describe('a depth gauge', () => {
  /** The bar's row: the one with a dark run longest. */
  const longest = (picture: Picture) =>
    Array.from({ length: picture.height }, (_, row) => darkRuns(picture, row))
      .flat()
      .reduce((most, run) => (run.length > most.length ? run : most), { from: 0, length: 0 });

  it.each([
    ['metric', 50],
    ['imperial', 50.8],
  ] as const)('is true to scale: its %s bar measures %f mm', async (units, mm) => {
    const [picture] = await picturesOf(await pdfOf('gauge', waiting.number, { units }), 20);
    expect(longest(picture!).length).toBeCloseTo(mm, 0);
    expect(Math.abs(longest(picture!).length - mm)).toBeLessThan(0.3);
  });

  it('has a tick at each half millimetre up from its foot, and the marks at their depths', async () => {
    const [picture] = await picturesOf(await pdfOf('gauge', waiting.number), 40);
    const { width, height, data, perMm } = picture!;
    // Down a line just inside the first strip's left edge, where every tick begins.
    const edge = Math.round((10 + 1) * perMm);
    const red = (x: number, y: number): number => data[(y * width + x) * 4] ?? 255;
    const ticks: number[] = [];
    for (let y = 0, from = -1; y < height; y += 1) {
      const dark = red(edge, y) < 160;
      if (dark && from < 0) from = y;
      if (!dark && from >= 0) {
        ticks.push((from + y) / 2 / perMm);
        from = -1;
      }
    }
    const steps = ticks.slice(1).map((tick, i) => tick - ticks[i]!);
    const halves = steps.filter((step) => Math.abs(step - 0.5) < 0.06);
    expect(halves.length).toBeGreaterThan(20);
    expect(await wordsOn('gauge', waiting.number)).toMatch(/join .*mm.*stop|stop .*mm.*join/);
  });
});

describe('a counter on paper', () => {
  it('has flags for the tape: at its own marks with what it shows, or at the usual ones', async () => {
    const own = await wordsOn('tape-marks', run.job.tag);
    expect(own).toContain('0');
    expect(own).toContain(`${run.job.tag} shows`);
    expect(own).toContain('matched here');
    expect(await wordsOn('tape-marks', 'any-ft')).toContain('100 ft');
    expect(await wordsOn('tape-marks', 'any-m')).toContain('22.5 m');
  });

  it('stands on its boat’s sheet beside the others', async () => {
    const customer = (await ask<Bag>('GET', `/bags/${run.bagNumber}`)).body.customer.id;
    const words = await wordsOn('set-sheet', customer);
    expect(words).toContain(`${run.job.tag} (m)`);
    expect(words).toContain('Counters of Orla Quay');
    expect(await wordsOn('set-sheet', waiting.customer.id)).toContain('No counter');
  });
});

describe('paper', () => {
  it('is looked at before it is printed: the same pages, as pictures', async () => {
    for (const what of Object.keys(PAPERS)) {
      const of = {
        reel: run.job.tag,
        bag: String(waiting.number),
        customer: String(waiting.customer.id),
        day: 'today',
        rack: 'to-order',
      };
      const asked = addressOf({ what, of: of[PAPERS[what as keyof typeof PAPERS]] });
      const { status, body } = await ask<PaperPreview>('GET', `/paper/preview?${asked}`);
      expect(status).toBe(200);
      expect(body.pages.length).toBe(body.all);
      const { width, height } = PNG.sync.read(Buffer.from(body.pages[0]!.png, 'base64'));
      expect(width / height).toBeCloseTo(body.pages[0]!.widthMm / body.pages[0]!.heightMm, 1);
    }
  });

  it('of what is not there is refused in a sentence', async () => {
    const refused = async (asked: Record<string, string>) =>
      (await ask('GET', `/paper?${addressOf(asked)}`)).body.code;
    expect(await refused({ what: 'tag', of: 'NOT-THERE' })).toBe('not-found');
    expect(await refused({ what: 'claim-slip', of: '99999' })).toBe('not-found');
    expect(await refused({ what: 'claim-slip', of: 'R-1' })).toBe('bad-request');
    expect(await refused({ what: 'set-sheet', of: '99999' })).toBe('not-found');
    expect(await refused({ what: 'running-order', of: String(waiting.number) })).toBe('bad-request');
    expect(await refused({ what: 'poster', of: '1' })).toBe('bad-request');
    expect(await refused({ what: 'tag', of: '../../etc' })).toBe('bad-request');
  });
});

describe('many sheets at once', () => {
  it('hold up nobody else’s tag, and are all made', async () => {
    const ada = await shop.as('Ada');
    const preview = (asker: Ask, what: string, of: string) =>
      asker<PaperPreview>('GET', `/paper/preview?${addressOf({ what, of })}`);
    let made = 0;
    const sheets = Array.from({ length: 12 }, () =>
      preview(ask, 'cut-list', 'waiting').then(({ status }) => {
        made += 1;
        return status;
      }),
    );
    expect((await preview(ada, 'tag', run.job.tag)).status).toBe(200);
    expect(made).toBeLessThan(12);
    expect(await Promise.all(sheets)).toEqual(Array(12).fill(200));
  });
});
