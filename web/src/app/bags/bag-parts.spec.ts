import type { Bag, BagRow } from '@yard-spool/contract';
import { effectiveRules, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { tellHouse } from '../testing/house';
import { aPiece } from '../testing/pieces';
import { openScreen, pressKey, problem } from '../testing/screen';
import { BagGroupList } from './bag-group';
import { BagEdit } from './bag-edit';
import { planFrom } from '../testing/drafts';
import { A_DRAWING } from '../testing/drawings';

import { OtherWays } from '../planning/other-ways';
import { PlanWhy } from '../planning/plan-why';
import { emptyReel } from '../planning/reel-draft';
import { SupplyView } from '../planning/supply-view';

const row = (number: number, ...states: BagRow['jobs'][number]['state'][]): BagRow => ({
  number,
  customer: 'Wenna Fairholt',
  promisedAt: '2031-03-10T17:00:00.000Z',
  jobs: states.map((state, i) => ({
    id: i + 1,
    tag: `R-${number}${i}`,
    label: 'Pier 3000',
    state,
    runId: null,
    type: 'fixed-spool',
    drawing: A_DRAWING,
    lines: [
      { role: 'main', name: 'Moss braid 0.19', lengthMm: 120_000 },
      { role: 'kept', name: 'nylon 0.30', lengthMm: 25_000 },
    ],
    counterOnly: state === 'to-check',
  })),
});

describe('a group of bags', () => {
  const open = (group: string, find = '') =>
    openScreen(BagGroupList, { group, name: 'Bags', none: 'None yet.', lookedFor: { find, state: '' } });
  const asked = (screen: Awaited<ReturnType<typeof open>>) =>
    screen.http.expectOne(({ url }) => url === '/api/bags');

  it('comes page by page', async () => {
    const screen = await open('waiting');
    asked(screen).flush({ rows: [row(1, 'booked')], next: '7_1' });
    await screen.fixture.whenStable();
    await screen.press('Show more');
    const second = asked(screen);
    expect(second.request.params.get('after')).toBe('7_1');
    second.flush({ rows: [row(2, 'on-the-bench')], next: null });
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/Bag 1.*Bag 2/);
    expect(screen.shown()).not.toContain('Show more');
  });

  it('tells what goes on each reel, from the top down', async () => {
    const screen = await open('waiting');
    asked(screen).flush({ rows: [row(1, 'booked', 'to-check')], next: null });
    await screen.fixture.whenStable();
    expect(screen.shown()).toMatch(/120.m Moss braid 0.19 over 25.m of what is on it/);
    expect(screen.shown()).toContain('Its counter alone: the line stays on');
  });

  it('that is over is asked for only when somebody wants it, or looks for something', async () => {
    const screen = await open('over');
    screen.http.expectNone(({ url }) => url === '/api/bags');
    await screen.press('Show finished bags');
    asked(screen).flush({ rows: [], next: null });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('None yet.');
    screen.fixture.componentRef.setInput('lookedFor', { find: 'wenna', state: '' });
    await screen.fixture.whenStable();
    const found = asked(screen);
    expect(found.request.params.get('find')).toBe('wenna');
    found.flush({ rows: [row(3, 'handed-back')], next: null });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Bag 3');
  });

  it('that cannot be had says why, and is asked for again', async () => {
    const screen = await open('waiting');
    asked(screen).flush(problem('database-away', 'The database does not answer.'), {
      status: 503,
      statusText: 'no',
    });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('The database does not answer.');
  });
});

describe('editing a bag', () => {
  const bag = { number: 7, version: 3, promisedAt: '2031-03-10T17:00:00.000Z', notes: 'blue bag' } as Bag;

  it('shows both versions where somebody else was quicker, and saves over theirs only when told to', async () => {
    const screen = await openScreen(BagEdit, { bag });
    await screen.type('Notes', 'mine');
    await screen.press('Save it');
    const first = screen.http.expectOne('/api/bags/7');
    expect(first.request.body).toMatchObject({ version: 3, notes: 'mine' });
    first.flush(problem('stale-version', 'Somebody changed bag 7.'), { status: 409, statusText: 'no' });
    screen.fixture.componentRef.setInput('bag', { ...bag, version: 4, notes: 'theirs' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Meanwhile it says:');
    expect(screen.shown()).toContain('theirs');
    await screen.press('Save mine over it');
    expect(screen.http.expectOne('/api/bags/7').request.body).toMatchObject({ version: 4, notes: 'mine' });
  });

  it('takes theirs on asking', async () => {
    const screen = await openScreen(BagEdit, { bag });
    screen.fixture.componentRef.setInput('bag', { ...bag, version: 4, notes: 'theirs' });
    await screen.fixture.whenStable();
    await screen.press('Use the saved version');
    await screen.press('Save it');
    expect(screen.http.expectOne('/api/bags/7').request.body).toMatchObject({ version: 4, notes: 'theirs' });
  });
});

describe('what stands beside a plan', () => {
  const priced = { priceMinor: 4500, leaves: 'anticlockwise', flangeMm: 140, coreMm: 60 } as const;
  const rack = [
    aPiece({ id: 1, code: 'P-25', ...priced, priceMinor: 1500 }),
    aPiece({
      id: 2,
      code: 'P-26',
      ...priced,
      product: { ...aPiece().product, code: 'SN-26', diameter: 0.26, strengthKg: 6 },
    }),
  ];
  const draft = {
    ...emptyReel(),
    rating1: '210 x 0.25',
    mainPiece: '2',
    mainLength: '120 m',
    backingPiece: '1',
    gap: '1.5 mm',
  };
  const planned = planFrom(draft, rack, 'metric');
  const ruling = effectiveRules(USUAL_HOUSE_RULES, []);

  it('compares the other ways, and takes one with its key', async () => {
    const screen = await openScreen(OtherWays, {
      planned,
      wanted: 120,
      spareSpool: true,
      rules: USUAL_HOUSE_RULES,
    });
    await tellHouse(screen);
    for (const name of ['Backing under main', 'A shorter main', 'Main only', 'Tape under main', 'Main first'])
      expect(screen.shown()).toContain(name);
    expect(screen.shown()).toMatch(/line for € \d+\.\d\d, saves € \d+\.\d\d/);
    const taken: string[] = [];
    screen.fixture.componentInstance.taken.subscribe(({ kind }) => taken.push(kind));
    pressKey('1');
    pressKey('9');
    expect(taken).toHaveLength(1);
  });

  it('says how the supply stands, with both columns, and how the line is handled', async () => {
    const screen = await openScreen(SupplyView, { planned, type: 'fixed-spool', ruling });
    expect(screen.shown()).toContain('Over the end, turning the way the bail does: least twist');
    expect(screen.shown()).toContain('stand it label down');
    expect(screen.shown()).toContain('on the spool');
    expect(screen.shown()).toContain('after a cast');
    for (const about of ['Soak', 'Knot at the arbor', 'Join', 'Tension', 'Drag'])
      expect(screen.shown()).toContain(about);
    screen.fixture.componentRef.setInput('type', 'baitcaster');
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Rolling on a spindle');
    const otherwise = effectiveRules(USUAL_HOUSE_RULES, [
      { scope: 'reel', question: 'hands', school: 'helper' },
    ]);
    screen.fixture.componentRef.setInput('ruling', otherwise);
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('Hands set for this reel Call a helper');
  });

  it('says why, and what would make it surer', async () => {
    const screen = await openScreen(PlanWhy, { planned });
    expect(screen.shown()).toContain('What would make it surer');
    expect(screen.shown()).toMatch(
      /Measure across the lip: ±\d+ m becomes ±\d+ m|Read one depth at the join: ±\d+ m becomes ±\d+ m of main/,
    );
    expect(screen.shown()).toContain('The backing, calculated in m and mm');
    expect(screen.shown()).toMatch(
      /Likely range: eight of ten such reels lie inside.*m to .*m; never below zero/,
    );
    expect(screen.shown()).toContain('Gap once wet');
  });
});
