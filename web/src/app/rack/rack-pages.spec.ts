import type { Piece } from '@yard-spool/contract';
import { tellHouse } from '../testing/house';
import { aPiece } from '../testing/pieces';
import { openScreen, problem, type Screen } from '../testing/screen';
import { FilesPage } from './files-page';
import { OrderPage } from './order/order-page';
import { RackPage } from './rack-page';
import { RecyclingPage } from './recycling-page';
import { TubsPage } from './tubs-page';

const HOUR = 3_600_000;
const from = (hours: number): string => new Date(Date.now() + hours * HOUR).toISOString();

/** The rack as it is asked for, once the typing rests. */
const askedFor = (screen: Screen<RackPage>, more = '') =>
  vi.waitFor(() => screen.http.expectOne(`/api/rack?find=&kind=&after=${more}`));

/** Answers what is asked: the rack, and the piece that is looked at. */
async function onTheRack(screen: Screen<RackPage>, rows: Piece[], more = ''): Promise<void> {
  (await askedFor(screen, more)).flush({ rows, next: null });
  await screen.fixture.whenStable();
  for (const read of screen.http.match((request) => request.url.startsWith('/api/pieces/')))
    if (!read.cancelled) read.flush({ piece: rows[0], moves: [], earlier: false });
  await screen.fixture.whenStable();
}

describe('the rack', () => {
  it('of a new shop says what to do first', async () => {
    const screen = await openScreen(RackPage);
    await onTheRack(screen, []);
    expect(screen.shown()).toContain('The rack is empty. Receive the first piece');
  });

  it('opens the form for a piece where the first steps of a new shop lead to it', async () => {
    const screen = await openScreen(RackPage, { receive: 'yes' });
    await onTheRack(screen, []);
    expect(screen.shown()).toContain('Add to stock');
  });

  it('that does not come says why and asks again', async () => {
    const screen = await openScreen(RackPage);
    (await askedFor(screen)).flush(problem('database-away', 'The database does not answer.'), {
      status: 503,
      statusText: 'no',
    });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('The database does not answer.');
    await screen.press('Ask again');
    await onTheRack(screen, [aPiece()]);
    expect(screen.shown()).toContain('N-201');
  });

  it('is asked for as of a past day, when nothing can be done with it', async () => {
    const screen = await openScreen(RackPage);
    await onTheRack(screen, [aPiece()]);
    await screen.type('Stock on date', '2031-02-01');
    await onTheRack(screen, [aPiece({ lengthMm: 5000 })], '&asOf=2031-02-01');
    expect(screen.shown()).toContain('The rack as it was at the end of 1 Feb 2031');
    expect(screen.shown()).not.toContain('Weigh in');
  });
});

describe('the tubs', () => {
  it('tell what is soaking, ready, and too long in the water', async () => {
    const soak = {
      productName: 'Smoke nylon 0.30',
      diameter: 0.3,
      tint: '#aab7bd',
      by: 'Joss',
      advice: '',
      why: 'Softens the line.',
      inAt: from(-2),
      uptake: { share: 0.5, low: 0.3, high: 0.7 },
    };
    const screen = await openScreen(TubsPage);
    await tellHouse(screen);
    screen.http.expectOne('/api/tubs').flush([
      {
        id: 1,
        name: 'Left tub',
        soaks: [
          { ...soak, id: 1, code: 'N-1', readyAt: from(0.5), tooLongAt: from(3) },
          { ...soak, id: 2, code: 'N-2', readyAt: from(-1), tooLongAt: from(1.01) },
          { ...soak, id: 3, code: 'N-3', readyAt: from(-3), tooLongAt: from(-0.5) },
        ],
      },
    ]);
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/N-1 .*Ready in 30 min/);
    expect(screen.shown()).toMatch(/N-2 .*Ready. Out within 1 h/);
    expect(screen.shown()).toMatch(/N-3 .*Too long in the water, by 30 min/);
    expect(screen.shown()).toContain('taken up 50 % (30 to 70)');
    await screen.press('Take it out');
    screen.http.expectOne('/api/soaks/1/out');
  });
});

describe('the bins', () => {
  it('take a weight, and show the new total', async () => {
    const totals = (grams: number) => ({
      totals: [{ stream: 'nylon', grams, tubes: 1 }],
      entries: [],
    });
    const screen = await openScreen(RecyclingPage);
    screen.http.expectOne('/api/recycling').flush(totals(0));
    await screen.fixture.whenStable();
    await screen.type('Weight', '120 g');
    await screen.press('Into the bin');
    const call = screen.http.expectOne('/api/recycling');
    expect(call.request.body).toMatchObject({ stream: 'nylon', grams: 120, tubes: 1, piece: null });
    call.flush(totals(120));
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/nylon ?120 g/);
  });
});

describe('what to order', () => {
  it('shows days left and the price of a length by size', async () => {
    const screen = await openScreen(OrderPage);
    await tellHouse(screen);
    const line = {
      product: aPiece().product,
      usedMm: 200_000,
      leftMm: 50_000,
      promisedMm: 0,
      daysLeft: 7,
      sizes: [
        { lengthMm: 3_000_000, minorPerMetre: 1.55 },
        { lengthMm: 300_000, minorPerMetre: 2 },
      ],
      freeMm: 50_000,
      lacksMm: 122_000,
      longestLackMm: 122_000,
      onOrderMm: 0,
      dueMm: 0,
      expectedMm: 200_000,
      lasts: 0.2,
      needMm: 290_000,
      packs: [{ lengthMm: 300_000, count: 2, minor: 600 }],
    };
    const none = {
      ...line,
      product: { ...line.product, id: 2 },
      lacksMm: 0,
      lasts: 0.99,
      needMm: 0,
      packs: [],
    };
    screen.http.expectOne('/api/reorder').flush({ weeks: 4, ahead: 4, lines: [line, none] });
    const order = { id: 3, product: aPiece().product, lengthMm: 300_000, count: 2, minor: 600 };
    const times = { expectedAt: '2031-03-20T22:00:00.000Z', at: '2031-03-13T09:00:00.000Z', by: 'Joss' };
    screen.http.expectOne('/api/orders').flush([{ ...order, ...times }]);
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/Smoke nylon 0\.25.*50 m.*122 m.*200 m.*short now.*2 × 300 m/);
    expect(screen.shown()).toMatch(/€ 12\.00 in all/);
    expect(screen.shown()).toMatch(/€ 1\.55 by 3,000 m, € 2\.00 by 300 m/);
    expect(screen.shown()).toMatch(/7 days\s*surely enough\s*nothing/);
    await screen.type('To be here by', '20 Mar 2031');
    await screen.press('Mark as ordered');
    const made = screen.http.expectOne('/api/orders');
    expect(made.request.body).toMatchObject({ lengthMm: 300_000, count: 2, expectedOn: '2031-03-20' });
    made.flush([{ ...order, ...times }]);
    await screen.fixture.whenStable();
    screen.http.expectOne('/api/reorder').flush({ weeks: 4, ahead: 4, lines: [line, none] });
    await screen.fixture.whenStable();
    await screen.press('Cancelled');
    expect(screen.http.expectOne('/api/orders/3/done').request.body).toEqual({ how: 'cancelled' });
    await screen.press('Save as CSV');
    screen.http.expectOne('/api/order-file').flush(new Blob());
  });
});

describe('a file to import', () => {
  it('that cannot be read is told as that', async () => {
    const screen = await openScreen(FilesPage);
    const [input] = screen.element.querySelectorAll<HTMLInputElement>('input[type=file]');
    const file = new File(['x'], 'odd.csv');
    Object.defineProperty(input, 'files', { value: [file] });
    input!.dispatchEvent(new Event('change'));
    const call = await vi.waitFor(() => screen.http.expectOne('/api/rack-files'));
    expect(call.request.body).toEqual({
      what: 'pieces',
      format: 'csv',
      name: 'odd.csv',
      base64: btoa('x'),
      preview: true,
    });
    call.flush({
      rows: 0,
      wrongRows: 1,
      errors: [{ row: 0, column: '', message: 'The file is not UTF-8 text.' }],
      sample: [],
      columns: [],
      taken: false,
    });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('odd.csv cannot be read. Nothing was imported.');
    expect(screen.shown()).toContain('The file The file is not UTF-8 text.');
    expect(screen.shown()).not.toContain('Import all');
  });
});
