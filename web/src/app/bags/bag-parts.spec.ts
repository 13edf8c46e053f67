import type { Bag, BagRow } from '@yard-spool/contract';
import { effectiveRules, USUAL_HOUSE_RULES } from '@yard-spool/core';
import { tellHouse } from '../testing/house';
import { aPiece } from '../testing/pieces';
import { openScreen, problem } from '../testing/screen';
import { BagEdit } from './bag-edit';
import { planDraft } from './draft-plan';
import { findBags, groupBags } from './find-bags';
import { OtherWays } from './other-ways';
import { PlanWhy } from './plan-why';
import { emptyReel } from './reel-draft';
import { SupplyView } from './supply-view';

const row = (number: number, customer: string, ...states: BagRow['jobs'][number]['state'][]): BagRow => ({
  number,
  customer,
  promisedAt: '2031-03-10T17:00:00.000Z',
  jobs: states.map((state, i) => ({ id: i, tag: `R-${number}${i}`, label: 'Pier 3000', state, runId: null })),
});
const BAGS = [
  row(1, 'Marit Oldcroft', 'handed-back'),
  row(2, 'Wenna Fairholt', 'booked', 'to-check'),
  row(3, 'Wenna Fairholt', 'ready'),
  row(4, 'Ivo Stanrick', 'cancelled'),
];

describe('the bags', () => {
  it('are found by number, customer, tag or reel, and by state', () => {
    const numbers = (find: string, state = ''): number[] =>
      findBags(BAGS, { find, state }).map(({ number }) => number);
    expect(numbers('wenna')).toEqual([2, 3]);
    expect(numbers('bag 4')).toEqual([4]);
    expect(numbers('r-20 pier')).toEqual([2]);
    expect(numbers('', 'to-check')).toEqual([2]);
    expect(numbers('wenna', 'handed-back')).toEqual([]);
  });

  it('stand as the counter goes through them', () => {
    expect(groupBags(BAGS).map(({ name, bags }) => [name, bags.map(({ number }) => number)])).toEqual([
      ['To fill', [2]],
      ['To check and hand back', [3]],
      ['Over', [4, 1]],
    ]);
    expect(groupBags([])).toEqual([]);
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
    await screen.press('Take theirs');
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
  const planned = planDraft(draft, rack, 'metric');
  const ruling = effectiveRules(USUAL_HOUSE_RULES, []);

  it('compares the other ways, and takes one with its key', async () => {
    const screen = await openScreen(OtherWays, {
      ...{ planned, wanted: 120, spareSpool: true },
      rules: USUAL_HOUSE_RULES,
    });
    await tellHouse(screen);
    for (const name of ['Backing under main', 'A shorter main', 'Main only', 'Tape under main', 'Main first'])
      expect(screen.shown()).toContain(name);
    expect(screen.shown()).toMatch(/line for € \d+\.\d\d, saves € \d+\.\d\d/);
    const taken: string[] = [];
    screen.fixture.componentInstance.taken.subscribe(({ kind }) => taken.push(kind));
    document.dispatchEvent(new KeyboardEvent('keydown', { key: '1' }));
    document.dispatchEvent(new KeyboardEvent('keydown', { key: '9' }));
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
    expect(screen.shown()).toContain('The backing, reckoned in m and mm');
    expect(screen.shown()).toMatch(
      /Likely range: eight of ten such reels lie inside.*m to .*m; never below zero/,
    );
    expect(screen.shown()).toContain('Gap once wet');
  });
});
