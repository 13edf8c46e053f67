import { CameIn } from '../bags/came-in';
import { USUAL_HOUSE_RULES } from '@yard-spool/core';
import { aFill, onSpool } from '../testing/fills';
import { A_DRAWING } from '../testing/drawings';
import { openScreen, problem } from '../testing/screen';
import { CustomerPage } from './customer-page';
import { FoundList } from './found-list';
import { LineUsedPage } from './got-page';
import { KindRecipes } from './kind-recipes';
import { ReelEntryPanel } from './reel-entry';

const A_REEL = {
  tag: 'R-0003',
  version: 2,
  type: 'fixed-spool',
  label: 'Pier 3000',
  fills: [aFill()],
  customer: { id: 7, name: 'Ivo Tarn', contact: 'berth 2' },
  spools: [],
  tags: [],
  history: [],
  waiting: null,
  gear: null,
  looks: '',
};

it('gives a reel another tag, name or owner, and makes two entries one', async () => {
  const { type, press, http, shown } = await openScreen(ReelEntryPanel, { reel: A_REEL });
  await type('Tag', 'pier-7');
  await type('What tells it', 'red knob');
  await press('Save it');
  const saved = http.expectOne('/api/reels/R-0003');
  expect(saved.request.body).toEqual({
    version: 2,
    tag: 'PIER-7',
    label: 'Pier 3000',
    looks: 'red knob',
    customerId: 7,
  });
  saved.flush(A_REEL);
  // An owner that was typed and not chosen is nobody.
  await type('Customer', 'Somebody');
  expect(shown()).toContain('Choose one of the customers there are.');
  await type('The other', 'r-0001');
  expect(shown()).toContain('Enter a reason.');
});

it('shows what was found, kind by kind, and says what can be looked for where nothing is', async () => {
  const { http, fixture, shown, element } = await openScreen(FoundList, { q: 'moss' });
  const reel = { tag: 'R-0003', label: 'Pier 3000', customer: 'Ivo' };
  http.expectOne('/api/search?q=moss').flush({
    hits: [
      { kind: 'reel', ...reel, type: 'fixed-spool', filledAt: null, drawing: A_DRAWING, was: 'R-9' },
      { kind: 'line', code: 'MB-19', name: 'Moss braid 0.19', tint: '#445533', material: 'braid' },
      { kind: 'lot', lot: 'L7', name: 'Moss braid 0.19', pieces: 2 },
      { kind: 'piece', code: 'B-3', name: 'Moss', lot: 'L7', lengthMm: 50_000, writtenOff: true },
      {
        kind: 'bag',
        number: 4,
        customer: 'Ivo',
        promisedAt: '2031-03-01T08:00:00.000Z',
        notes: 'moss on it',
      },
      { kind: 'note', ...reel, fillId: 3, at: '2031-03-01T08:00:00.000Z', words: 'moss in the guides' },
      { kind: 'customer', id: 7, name: 'Mosse', contact: '', reels: 1 },
      { kind: 'day', day: '2031-03-01', fills: 3 },
    ],
    meant: null,
    more: ['note'],
  });
  await fixture.whenStable();
  const hits = [...element.querySelectorAll('[data-test=hit]')].map((one) => one.getAttribute('href'));
  expect(hits).toEqual([
    '/reels/R-0003',
    '/reels/got?line=MB-19',
    '/reels/got?lot=L7',
    '/reels/got?piece=B-3',
    '/bags/4',
    '/reels/R-0003',
    '/reels/customer/7',
    '/reels/got?on=2031-03-01',
  ]);
  expect(shown()).toContain('was R-9 before');
  expect(shown()).toContain('In notes, the latest of many');
  fixture.componentRef.setInput('q', 'zzz');
  await fixture.whenStable();
  http.expectOne('/api/search?q=zzz').flush({ hits: [], more: [], meant: null });
  await fixture.whenStable();
  expect(shown()).toContain('Nothing here is called “zzz”.');
});

it('says which reels got a lot, and whether it lies there still', async () => {
  const { http, fixture, shown } = await openScreen(LineUsedPage, { lot: 'L7' });
  const row = { tag: 'R-0003', label: 'Pier 3000', customer: 'Ivo', customerId: 7, fillId: 3, role: 'main' };
  const more = {
    filledAt: '2031-03-01T08:00:00.000Z',
    name: 'Moss',
    piece: 'B-3',
    lot: 'L7',
    lengthMm: 90_000,
  };
  http.expectOne('/api/got?line=&lot=L7&piece=&day=&after=').flush({
    rows: [
      { ...row, ...more, still: true },
      { ...row, ...more, still: false, tag: 'R-0004' },
    ],
    next: null,
  });
  await fixture.whenStable();
  expect(shown()).toMatch(/Reels that got lot L7.*still on it.*off by now/);
});

it('shows a customer with their reels, what is due of them, what they like, and what is theirs here', async () => {
  const { http, fixture, shown, press, type } = await openScreen(CustomerPage, { id: '7' });
  const page = {
    customer: { id: 7, name: 'Ivo Tarn', contact: '' },
    version: 3,
    more: false,
    reels: [
      {
        tag: 'R-0003',
        type: 'fixed-spool',
        label: 'Pier 3000',
        comebacks: 1,
        spools: [
          { name: 'own', on: onSpool({ dueAt: '2020-01-01T08:00:00.000Z' }) },
          { name: 'spare', on: null },
        ],
      },
    ],
    likes: { fills: 4, gap: { mm: 1.6, times: 3 }, leader: null, main: null, guides: 'All of them' },
    line: [{ code: 'OWN-4-1', name: 'Own nylon', tint: '#aabbcc', lengthMm: 80_000, bag: 4 }],
    bags: [{ number: 4, promisedAt: '2031-03-01T08:00:00.000Z', open: true, reels: 1 }],
  };
  http.expectOne('/api/customers/7').flush(page);
  await fixture.whenStable();
  for (const words of [
    'Due since 1 Jan 2020',
    'spare spool',
    'came back 1×',
    'A gap of 1.6 mm, 3 of the last 4',
    'Guides: all of them',
    'Own nylon, with bag 4',
  ])
    expect(shown()).toContain(words);
  await press('Change name or contact');
  await type('How they are reached', 'berth 9');
  await press('Save it');
  expect(http.expectOne('/api/customers/7').request.body).toEqual({
    version: 3,
    name: 'Ivo Tarn',
    contact: 'berth 9',
  });
});

it('tells the recipes of a kind: how often, how much with its range, what gap it got', async () => {
  const kind = {
    id: 2,
    type: 'fixed-spool',
    label: 'Pier 3000',
    gear: 5.2,
    timesSeen: 3,
    version: 1,
    learned: [],
  };
  const observations = [
    { kind: 'rating', length: 210, diameter: 0.25 },
    { kind: 'lip', diameter: 46 },
  ];
  const { http, fixture, shown, element } = await openScreen(KindRecipes, {
    kind: { ...kind, observations },
  });
  const recipe = {
    main: 'Moss braid 0.15',
    backing: 'Smoke 0.25',
    times: 3,
    lastAt: '2031-03-01T08:00:00.000Z',
    tag: 'R-0003',
    mainMm: [150_000, 140_000, 160_000],
    backingMm: [80_000, 80_000, 80_000],
    mainTurns: 220,
    backingTurns: 130,
    gap: [1.6, 1.5, 1.9],
    drawing: A_DRAWING,
  };
  http.expectOne('/api/reel-kinds/2/recipes').flush([recipe]);
  await fixture.whenStable();
  expect(shown()).toMatch(/Believed to hold \d+ m of 0\.30 mm nylon, likely \d+ m to \d+ m/);
  expect(shown()).toContain('150 m (140 m–160 m) Moss braid 0.15, 220 turns');
  expect(shown()).toContain('gap got 1.6 mm (1.5 mm–1.9 mm)');
  expect(element.querySelector('a.go')?.getAttribute('href')).toBe('/bags/new?like=R-0003');
  expect(USUAL_HOUSE_RULES.service).toBe('whichever-first');
  // Another kind never stands over these while its own are on their way.
  fixture.componentRef.setInput('kind', { ...kind, observations, id: 3 });
  fixture.detectChanges();
  http.expectOne('/api/reel-kinds/3/recipes');
  expect(shown()).not.toContain('Moss braid');
});

it('asks across the counter how often a reel that comes in again was out', async () => {
  const { http, fixture, shown, press, element } = await openScreen(CameIn, { tag: 'R-0003' });
  const spools = [{ name: 'own', observations: [], on: onSpool({ trips: 2 }) }];
  const waiting = { bagNumber: 12, jobId: 5, runId: null };
  http.expectOne('/api/reels/R-0003').flush({ ...A_REEL, spools, waiting });
  await fixture.whenStable();
  expect(shown()).toContain('R-0003 is in bag 12 already');
  expect(element.querySelector('a')?.getAttribute('href')).toBe('/bags/12');
  expect(shown()).toContain('Trips since 1 Mar 2031?');
  await press('15');
  const asked = http.expectOne('/api/fills/3/marks');
  expect(asked.request.body).toEqual({ kind: 'trips', trips: 15 });
  asked.flush(A_REEL);
  await fixture.whenStable();
  expect(element.querySelector('[aria-pressed=true]')?.textContent.trim()).toBe('15');
  fixture.componentRef.setInput('tag', 'R-0009');
  await fixture.whenStable();
  http.expectOne('/api/reels/R-0009').flush(problem('not-found', 'No such reel.'), {
    status: 404,
    statusText: 'no',
  });
  await fixture.whenStable();
  expect(shown()).toBe('');
});
