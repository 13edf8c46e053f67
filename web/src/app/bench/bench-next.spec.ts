import type { BagRow } from '@yard-spool/contract';
import { aDay, aRow } from '../testing/days';
import { A_DRAWING } from '../testing/drawings';
import { openScreen, problem, type Screen } from '../testing/screen';
import { BenchNext } from './bench-next';

const BENCHES = [1, 2].map((id) => ({
  id,
  name: `Bench ${String(id)}`,
  spanMm: 1500,
  hand: 'right',
  pedal: '',
  devices: [],
  version: 1,
}));

const bag = (number: number, more: Partial<BagRow['jobs'][number]> = {}): BagRow => ({
  number,
  customer: 'Pier club',
  promisedAt: `2031-03-1${String(number)}T17:00:00.000Z`,
  jobs: [
    {
      id: number,
      tag: `R-${String(number)}`,
      label: 'Pier reel',
      state: 'booked',
      runId: null,
      type: 'fixed-spool',
      drawing: A_DRAWING,
      lines: [],
      counterOnly: false,
      ...more,
    },
  ],
});

/** A fill of a job, at a bench, in the day's order. */
const fill = (jobId: number, benchId: number) =>
  aRow({ id: `fill:${String(jobId)}`, benchId, reels: [{ ...aRow().reels[0]!, jobId }] });

async function open(more: BagRow[] = []): Promise<Screen<BenchNext>> {
  localStorage.clear();
  const screen = await openScreen(BenchNext);
  screen.http.expectOne('/api/benches').flush(BENCHES);
  const rows = [bag(1), bag(2), bag(3), bag(4, { state: 'on-the-bench' }), ...more];
  screen.http.expectOne('/api/bags?group=waiting&after=').flush({ rows, next: null });
  await screen.fixture.whenStable();
  return screen;
}

const tags = ({ element }: Screen<BenchNext>): string[] =>
  [...element.querySelectorAll('[data-test=next] b.block')].map(({ textContent }) => textContent.slice(0, 3));

describe('what comes next', () => {
  it('is in the order of the day: what is planned at this bench, then what is at the others', async () => {
    const screen = await open();
    screen.http.expectOne('/api/day').flush(aDay({ rows: [fill(2, 2), fill(3, 1), fill(1, 1)] }));
    await screen.fixture.whenStable();
    expect(tags(screen)).toEqual(['R-3', 'R-1']);
    expect(screen.shown()).toMatch(/R-3 · Pier reel ?at 13:00,/);
    await screen.press('Show all that waits');
    expect(tags(screen)).toEqual(['R-3', 'R-1', 'R-2']);
  });

  it('is three at most until somebody asks for more', async () => {
    const screen = await open([bag(5)]);
    screen.http.expectOne('/api/day').flush(aDay({ rows: [5, 2, 1, 3].map((n) => fill(n, 1)) }));
    await screen.fixture.whenStable();
    expect(tags(screen)).toEqual(['R-5', 'R-2', 'R-1']);
  });

  it('is all that waits where this bench has nothing of its own', async () => {
    const screen = await open();
    screen.http.expectOne('/api/day').flush(aDay({ rows: [fill(2, 2)] }));
    await screen.fixture.whenStable();
    expect(tags(screen)).toEqual(['R-2', 'R-1', 'R-3']);
  });

  it('has behind it what the day does not plan yet', async () => {
    const screen = await open();
    screen.http.expectOne('/api/day').flush(aDay({ rows: [fill(3, 1)] }));
    await screen.fixture.whenStable();
    await screen.press('Show all that waits');
    expect(tags(screen)).toEqual(['R-3', 'R-1', 'R-2']);
  });

  it('is what was promised soonest where the day cannot be had', async () => {
    const screen = await open();
    screen.http
      .expectOne('/api/day')
      .flush(problem('database-away', 'No.'), { status: 503, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(tags(screen)).toEqual(['R-1', 'R-2', 'R-3']);
  });

  it('is taken to the bench this computer is at', async () => {
    const screen = await open();
    screen.http.expectOne('/api/day').flush(aDay({ rows: [] }));
    await screen.fixture.whenStable();
    await screen.press('Take it to Bench 1');
    const { request } = screen.http.expectOne({ method: 'POST', url: '/api/runs' });
    expect(request.body).toEqual({ jobId: 1, benchId: 1 });
  });
});
