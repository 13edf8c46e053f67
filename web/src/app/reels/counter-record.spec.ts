import { TestBed } from '@angular/core/testing';
import type { RecordedMatch } from '@yard-spool/core';
import { aFill } from '../testing/fills';
import { openScreen, type Screen } from '../testing/screen';
import { CounterRecord } from './counter-record';
import { CounterSet } from './counter-set';
import { CounterTag } from './counter-tag';

const FT = 0.3048;
/** A reel matched at 100 ft: 20 mm full, 25 wide, 0.45 line. */
const KEPT: RecordedMatch = {
  unit: 'ft',
  step: 1,
  match: 100 * FT,
  reads: 100,
  agrees: true,
  perTurn: 0.38985,
  sd: 0.01,
  readsSd: 0.004,
  spool: { width: 25, outer: 20, lip: 22, layers: [{ inner: 10, area: 0.21206 }] },
  depth: 1,
  tight: true,
  walks: [
    {
      tape: 100 * FT,
      reading: 106,
      expected: 103,
      moved: 0,
      over: 'field',
      by: 'Joss',
      at: '2031-03-10T10:00:00.000Z',
    },
    {
      tape: 100 * FT,
      reading: 100,
      expected: 100,
      moved: 14,
      over: 'field',
      by: 'Tova',
      at: '2031-03-10T10:20:00.000Z',
    },
  ],
};
const rows = ({ element }: Screen<unknown>): string[] =>
  [...element.querySelectorAll('[data-test=counter-table] tbody tr')].map((row) =>
    row.textContent.replace(/\s+/g, ' ').trim(),
  );

describe('the record of a counter', () => {
  it('tells match, level, walks and who made them as sentences', async () => {
    const { shown } = await openScreen(CounterRecord, {
      kept: KEPT,
      diameter: 0.45,
      tag: 'R-0001',
      customer: 3,
    });
    expect(shown()).toContain('It agrees with the tape: shows 100 at 100 ft');
    expect(shown()).toContain('Matched with the line 1.0 mm below the lip. Wound tight, by the last look.');
    expect(shown()).toMatch(/At 200 ft it runs \d+ ft ahead of the line/);
    expect(shown()).toMatch(/Tova, 10 Mar, .*: added 14\.0 m, then walked to 100 ft, it showed 100\./);
  });

  it('has the table, and another one after a break-off or on thinner line', async () => {
    const screen = await openScreen(CounterRecord, {
      kept: KEPT,
      diameter: 0.45,
      tag: 'R-0001',
      customer: 3,
    });
    const before = rows(screen);
    expect(before[3]).toMatch(/^100 100/);
    await screen.type('Broken off', '20 m');
    const broken = rows(screen);
    expect(Number(/^100 (\d+)/.exec(broken[3]!)![1])).toBeGreaterThan(105);
    expect(screen.shown()).toContain('No walk is needed');
    await screen.type('Broken off', '');
    await screen.type('Filled with other line', '0.25 mm');
    expect(Number(/^100 (\d\d)/.exec(rows(screen)[3]!)![1])).toBeLessThan(98);
  });

  it('takes nothing that is no length, and keeps the table', async () => {
    const screen = await openScreen(CounterRecord, {
      kept: KEPT,
      diameter: 0.45,
      tag: 'R-0001',
      customer: 3,
    });
    await screen.type('Broken off', 'a lot');
    expect(rows(screen)[3]).toMatch(/^100 100/);
  });
});

describe('reels fished together', () => {
  const reel = (tag: string, perTurn: number) => ({
    tag,
    label: `Troll ${tag}`,
    filledAt: '2031-03-10T12:00:00.000Z',
    counter: { ...KEPT, perTurn, reads: (100 * perTurn) / KEPT.perTurn },
  });

  async function aSet(...reels: ReturnType<typeof reel>[]) {
    const screen = await openScreen(CounterSet, { customer: '3' });
    screen.http.expectOne('/api/customers/3/counters').flush(reels);
    await screen.fixture.whenStable();
    return screen;
  }

  it('name the one to touch and what to do to it, and read alike without it', async () => {
    const p = KEPT.perTurn;
    const { shown, element, fixture } = await aSet(
      reel('R-1', p),
      reel('R-2', p * 1.002),
      reel('R-3', p * 1.05),
    );
    expect(shown()).toMatch(/Touch R-3: add \d+(\.\d)? m, then it reads with the others/);
    expect(shown()).toContain('R-2 shows, ft');
    element.querySelectorAll<HTMLInputElement>('input[type=checkbox]')[2]!.click();
    await fixture.whenStable();
    expect(shown()).toContain('They read alike');
    expect(shown()).not.toContain('R-3 shows');
  });

  it('say what to do first where nothing was matched yet', async () => {
    const { shown } = await aSet();
    expect(shown()).toContain('No counter of this customer’s reels was matched here yet');
  });
});

describe('what hangs on a counter reel', () => {
  const reel = (counter: RecordedMatch | null) => ({
    tag: 'R-0001',
    type: 'trolling',
    label: 'Troll 30',
    looks: '',
    waiting: null,
    gear: null,
    version: 1,
    tags: [],
    history: [],
    customer: { id: 3, name: 'Skua charter', contact: '' },
    spools: [],
    fills: counter === null ? [] : [aFill({ layers: [], counter })],
  });
  async function tagOf(counter: RecordedMatch | null): Promise<Screen<CounterTag>> {
    const screen = await openScreen(CounterTag, { tag: 'R-0001' });
    screen.http.expectOne('/api/reels/R-0001').flush(reel(counter));
    await screen.fixture.whenStable();
    return screen;
  }

  it('says where it agrees and what it shows elsewhere', async () => {
    const screen = await tagOf(KEPT);
    expect(screen.shown()).toContain('Agrees at 100 ft');
    expect(rows(screen)[3]).toMatch(/^100 100/);
  });

  it('says that it does not agree, or was never walked', async () => {
    expect((await tagOf({ ...KEPT, agrees: false })).shown()).toContain('Does not agree; read the table');
    TestBed.resetTestingModule();
    expect((await tagOf(null)).shown()).toContain('was not matched here yet');
  });
});
