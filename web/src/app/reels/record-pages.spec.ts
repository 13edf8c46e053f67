import { DateTime } from 'luxon';
import { aComeback, aFill, onSpool } from '../testing/fills';
import { anEvent, aRun } from '../testing/runs';
import { openScreen, problem } from '../testing/screen';
import { CameBack } from './came-back';
import { ComebackForm } from './comeback-form';
import { ComebacksPage } from './comebacks-page';
import { DuePage } from './due-page';
import { PutRight } from './put-right';
import { dueWords, isDue } from './record-words';
import { TripsTold } from './trips-told';

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

it('says when line is due: by then, since then, after so many trips, or only by trips', () => {
  const now = DateTime.fromISO('2032-03-02T08:00:00.000Z');
  expect(dueWords(onSpool({ dueAt: '2032-05-01T08:00:00.000Z' }), now)).toBe('Due May 2032');
  expect(dueWords(onSpool({ dueAt: '2032-03-01T08:00:00.000Z' }), now)).toBe('Due since 1 Mar 2032');
  const worn = onSpool({ dueAt: '2032-02-01T08:00:00.000Z', by: 'trips', trips: 6 });
  expect(dueWords(worn, now)).toBe('Due since 1 Feb 2032, after 6 trips');
  expect(dueWords({ ...worn, trips: 1 }, now)).toBe('Due since 1 Feb 2032, after 1 trip');
  expect([isDue(worn, now), isDue(onSpool(), now)]).toEqual([true, false]);
  expect(dueWords(onSpool({ dueAt: null, by: 'trips' }), now)).toContain('none were told');
});

it('takes trips in one touch, and that it was reversed', async () => {
  const { fixture, http, press, shown, element } = await openScreen(TripsTold, { on: onSpool({ trips: 4 }) });
  const told = [...element.querySelectorAll('[aria-pressed=true]')].map((one) => one.textContent.trim());
  expect(told).toEqual(['4']);
  let heard = 0;
  fixture.componentInstance.changed.subscribe(() => (heard += 1));
  await press('10');
  const asked = http.expectOne('/api/fills/3/marks');
  expect(asked.request.body).toEqual({ kind: 'trips', trips: 10 });
  // A second touch while it is on its way sends nothing.
  element.querySelectorAll('button')[0]?.click();
  asked.flush(A_REEL);
  await fixture.whenStable();
  await press('turned end for end');
  http.expectOne('/api/fills/3/marks').flush(problem('not-allowed', 'Something else lies there.'), {
    status: 409,
    statusText: 'no',
  });
  await fixture.whenStable();
  expect(heard).toBe(1);
  expect(shown()).toContain('Something else lies there.');
});

describe('putting a record right', () => {
  const open = () => {
    const log = [anEvent(2, { kind: 'noted', payload: { step: 'strip', values: { minutes: 4 } } })];
    return openScreen(PutRight, { fill: aFill(), run: aRun(log) });
  };
  const entries = (element: HTMLElement): string[] =>
    [...element.querySelectorAll('select')[0]!.options].map(({ text }) => text);

  it('offers the gap, each layer and everything written down, with what it says now', async () => {
    const { element, type, shown } = await open();
    expect(entries(element)).toEqual(
      expect.arrayContaining(['The gap', 'Backing: its length', 'Main: the piece it came off']),
    );
    expect(shown()).toContain('It says: 1.6 mm');
    await type('What is wrong', 'piece 1');
    expect(shown()).toContain('It says: N-1, Smoke main');
    const minutes = [...element.querySelectorAll('select')[0]!.options].find(
      ({ value }) => value === 'note strip.minutes',
    );
    await type('What is wrong', minutes?.value ?? '');
    expect(shown()).toContain('It says: 4');
  });

  it('wants a value and a reason, sends metric, and says why it was refused', async () => {
    const { type, press, shown, http, fixture } = await open();
    expect(shown()).toContain('Enter a reason');
    await type('It was', '0.1 in');
    await type('Why', 'wrong edge');
    await press('Correct the record');
    const asked = http.expectOne('/api/fills/3/correct');
    expect(asked.request.body).toEqual({ what: 'gap', about: '', is: 2.54, why: 'wrong edge' });
    asked.flush(problem('bad-request', 'That is what it says already.'), { status: 400, statusText: 'no' });
    await fixture.whenStable();
    expect(shown()).toContain('That is what it says already.');
    // Left empty: it was not read.
    await type('It was', '');
    await press('Correct the record');
    expect(http.expectOne('/api/fills/3/correct').request.body).toMatchObject({ is: null });
  });

  it('takes a length, a piece by its code, and a choice, each in its own way', async () => {
    const { type, press, http, shown } = await open();
    await type('Why', 'x');
    await type('What is wrong', 'length 1');
    expect(shown()).toContain('Type what it should have been.');
    await type('It was', '96 m');
    await press('Correct the record');
    const first = http.expectOne('/api/fills/3/correct');
    expect(first.request.body).toMatchObject({ what: 'length', about: '1', is: 96 });
    first.flush(A_REEL);
    await type('What is wrong', 'piece 0');
    await type('It was', 'n-204');
    await press('Correct the record');
    expect(http.expectOne('/api/fills/3/correct').request.body).toMatchObject({ what: 'piece', is: 'N-204' });
  });
});

describe('what came back', () => {
  it('is booked with what its customer sees, and no sooner', async () => {
    const { type, press, shown, http } = await openScreen(ComebackForm, { fillId: 3 });
    expect(shown()).toContain('Say what the customer sees.');
    await type('What the customer sees', 'loops');
    await type('In their words', 'since Friday');
    await press('Book it');
    const { request } = http.expectOne('/api/fills/3/comebacks');
    expect(request.body).toEqual({ complaint: 'loops', saw: 'since Friday' });
  });

  it('is gone on with on the reel, on the entry as it was looked at', async () => {
    const screen = await openScreen(CameBack, { comebacks: [aComeback({ fault: 'rings' })] });
    expect(screen.shown()).toContain('What was found is not written down yet.');
    await screen.press('Write down what was found');
    await screen.type('It comes down to', 'our-winding');
    await screen.type('What was done', 'took 4 m off');
    await screen.press('Write it down');
    const { request } = screen.http.expectOne('/api/comebacks/9');
    expect(request.body).toMatchObject({ version: 1, cause: 'our-winding', did: 'took 4 m off', found: '' });
    // It was a ring, the entry says: it comes down to something else now.
    expect(request.body).toMatchObject({ fault: null, second: null });
  });

  it('is listed, those not settled alone where that is wanted', async () => {
    const { http, fixture, shown, element } = await openScreen(ComebacksPage);
    const settled = aComeback({ id: 8, cause: 'the-line', found: 'brittle' });
    http.expectOne('/api/comebacks?which=all&after=').flush({ rows: [aComeback(), settled], next: null });
    await fixture.whenStable();
    expect(shown()).toContain('the line itself. brittle');
    element.querySelector('input')?.click();
    http.expectOne('/api/comebacks?which=open&after=').flush({ rows: [], next: null });
    await fixture.whenStable();
    expect(shown()).toContain('All that came back is settled.');
  });
});

it('tells whose line is due, with the text for each, and puts those who were told away', async () => {
  const { http, fixture, shown, press, element } = await openScreen(DuePage);
  const row = (tag: string, name: string, more = {}) => ({
    tag,
    type: 'fixed-spool',
    label: 'Pier 3000',
    spool: 'own',
    here: false,
    customer: { id: 7, name, contact: '' },
    on: onSpool({ dueAt: '2020-01-01T08:00:00.000Z', ...more }),
  });
  const due = () => http.expectOne(({ url }) => url === '/api/due');
  const first = due();
  expect(first.request.params.get('told')).toBe('hide');
  first.flush({
    rows: [row('R-1', 'Ivo Tarn'), row('R-2', 'Orla Quay', { trips: 9, by: 'trips' })],
    next: null,
  });
  await fixture.whenStable();
  const text = () => element.querySelector('textarea')?.value ?? '';
  expect(text()).toContain('Hello Ivo Tarn,');
  expect(text()).toContain('We filled it on 1 Mar 2031');
  [...element.querySelectorAll('button')]
    .filter((one) => one.textContent.includes('Show the text'))[1]
    ?.click();
  await fixture.whenStable();
  expect(text()).toContain('It has been out 9 times since we filled it');
  await press('Mark as told');
  http.expectOne('/api/fills/3/marks').flush(A_REEL);
  due().flush({ rows: [], next: null });
  await fixture.whenStable();
  expect(shown()).toContain('Nothing is due by then.');
});
