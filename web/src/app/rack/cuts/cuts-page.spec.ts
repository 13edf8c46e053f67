import type { CutsPlan } from '@yard-spool/contract';
import { cutsPlan, layerOfPlan, NO_FIGURES, pieceOfPlan } from '../../testing/cuts';
import { tellHouse } from '../../testing/house';
import { openScreen, problem, type Screen } from '../../testing/screen';
import { costOf, linesOf, sureness } from './cut-words';
import { CutsPage } from './cuts-page';

/** A plan that moves one reel from one piece to another. */
const BETTER = cutsPlan({
  layers: [layerOfPlan(1, { planned: 'L-2' })],
  pieces: [
    pieceOfPlan('L-1'),
    pieceOfPlan('L-2', {
      offs: [{ jobId: 1, layer: 'main', tag: 'R-1', lengthMm: 120_000 }],
      leftMm: 78_000,
    }),
  ],
  now: { ...NO_FIGURES, scrapMm: 15_000 },
});

async function cuts(plan: CutsPlan): Promise<Screen<CutsPage>> {
  const screen = await openScreen(CutsPage);
  screen.http.expectOne('/api/cuts').flush(plan);
  await screen.fixture.whenStable();
  await tellHouse(screen);
  await screen.fixture.whenStable();
  return screen;
}

describe('the plan of cuts', () => {
  it('with no reel that waits says what will stand there', async () => {
    expect((await cuts(cutsPlan({ layers: [] }))).shown()).toContain('No reel waits for line of the rack');
  });

  it('as good as it is booked has nothing to accept', async () => {
    const screen = await cuts(cutsPlan());
    expect(screen.shown()).toContain('Nothing to change');
    expect(screen.shown()).not.toContain('Cut it like this');
  });

  it('says what changes, and is accepted as it was looked at', async () => {
    const screen = await cuts(BETTER);
    expect(screen.shown()).toMatch(/R-1 main: L-1 → L-2/);
    await screen.press('Cut it like this');
    const asked = screen.http.expectOne('/api/cuts/accept');
    expect(asked.request.body).toEqual({ revision: 'one' });
    asked.flush(cutsPlan());
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Nothing to change');
  });

  it('that changed meanwhile is asked for again, and says so', async () => {
    const screen = await cuts(BETTER);
    await screen.press('Cut it like this');
    screen.http
      .expectOne('/api/cuts/accept')
      .flush(problem('stale-version', 'A bag changed.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    screen.http.expectOne('/api/cuts').flush(cutsPlan());
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('A bag changed.');
  });

  it('tells what another piece costs before it is kept', async () => {
    const screen = await cuts(BETTER);
    await screen.press('R-1');
    await screen.type('Cut it from', 'L-1');
    const asked = screen.http.expectOne('/api/cuts/try');
    expect(asked.request.body).toEqual({ jobId: 1, layer: 'main', piece: 'L-1' });
    asked.flush({ planned: NO_FIGURES, with: { ...NO_FIGURES, scrapMm: 15_000, opened: 1 } });
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/With L-1: 1 piece more opened, 15.m more scrap/);
    await screen.press('Keep it on this piece');
    expect(screen.http.expectOne('/api/cuts/pin').request.body).toMatchObject({ piece: 'L-1' });
  });

  it('says where a piece has not enough for what is asked', async () => {
    const screen = await cuts(BETTER);
    await screen.press('R-1');
    await screen.type('Cut it from', 'L-1');
    screen.http.expectOne('/api/cuts/try').flush({ planned: NO_FIGURES, with: null });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('L-1 has not enough for it.');
  });
});

it('tells of the last piece that was chosen, however fast', async () => {
  const screen = await cuts(BETTER);
  await screen.press('R-1');
  await screen.type('Cut it from', 'L-1');
  const first = screen.http.expectOne('/api/cuts/try');
  await screen.type('Cut it from', 'L-2');
  expect(first.cancelled).toBe(true);
  screen.http.expectOne('/api/cuts/try').flush({ planned: NO_FIGURES, with: NO_FIGURES });
  await screen.fixture.whenStable();
  expect(screen.shown()).toContain('It costs nothing more.');
});

describe('the words of a plan', () => {
  const metres = (of: number): string => `${of} m`;

  it('name each level that is another, what counts most first', () => {
    const after = { ...NO_FIGURES, unserved: 1, shortMm: 20_000, opened: -1, scrapMm: -3000 };
    expect(costOf(NO_FIGURES, after, metres)).toEqual([
      '1 reel more without line',
      '20 m more main given up',
      '1 piece fewer opened',
      '3 m less scrap',
    ]);
    expect(costOf(after, after, metres)).toEqual([]);
  });

  it('say how sure it is', () => {
    expect(sureness(cutsPlan({ looking: true }))).toContain('being looked for');
    expect(sureness(cutsPlan())).toContain('proven');
    expect(sureness(cutsPlan({ open: [{ level: 'opened', gap: 1 }] }))).toContain(
      'pieces opened is not proven',
    );
  });

  it('put a line that lacks before one that changes', () => {
    const lines = linesOf(
      cutsPlan({
        layers: [
          layerOfPlan(1, { planned: 'L-2' }),
          layerOfPlan(2, { line: 'B-25', planned: null, now: null }),
          layerOfPlan(3, { line: 'Z-1' }),
        ],
      }),
    );
    expect(lines.map(({ code }) => code)).toEqual(['B-25', 'N-26', 'Z-1']);
  });
});

it('lets nobody keep a layer on line that is on order, and says when that is here', async () => {
  const name = 'order 3, 1';
  const coming = pieceOfPlan(name, { comesAt: '2030-01-10T23:00:00.000Z', place: '10 Jan' });
  const offs = [{ jobId: 1, layer: 'main', tag: 'R-1', lengthMm: 120_000 }];
  const layer = layerOfPlan(1, { now: null, planned: name, comes: true });
  const screen = await cuts(cutsPlan({ pieces: [{ ...coming, offs }, pieceOfPlan('L-2')], layers: [layer] }));
  expect(screen.shown()).toMatch(/On order[^]*here by 10 Jan/);
  await screen.press('R-1');
  expect(screen.shown()).toContain('nothing can be kept on it before');
  const keep = [...screen.element.querySelectorAll('button')].find(({ textContent }) =>
    textContent.includes('Keep it on this piece'),
  );
  expect(keep?.disabled).toBe(true);
  await screen.type('Cut it from', 'L-2');
  screen.http.expectOne('/api/cuts/try').flush({ planned: NO_FIGURES, with: NO_FIGURES });
  await screen.fixture.whenStable();
  expect(keep?.disabled).toBe(false);
});
