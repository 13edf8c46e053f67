import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { DayPlan } from '@yard-spool/contract';
import { aDay, aRow } from '../testing/days';
import { openScreen, pressKey, problem, type Screen } from '../testing/screen';
import { DayPage } from './day-page';

const BENCHES = [
  { id: 1, name: 'Bench 1', spanMm: 1500, hand: 'right', pedal: '', devices: [], version: 1 },
  { id: 2, name: 'Bench 2', spanMm: 1500, hand: 'right', pedal: '', devices: [], version: 1 },
];

async function onTheDay(day: DayPlan = aDay()): Promise<Screen<DayPage>> {
  localStorage.clear();
  const screen = await openScreen(DayPage);
  screen.http.expectOne('/api/benches').flush(BENCHES);
  screen.http.expectOne('/api/day').flush(day);
  await screen.fixture.whenStable();
  return screen;
}

const rowsOf = ({ element }: Screen<DayPage>): (string | null)[] =>
  [...element.querySelectorAll('[data-row]')].map((one) => one.getAttribute('data-row'));

describe('the day', () => {
  it('says in one line how it stands, what is next at each bench, and what each bag has in hand', async () => {
    const screen = await onTheDay();
    const shown = screen.shown();
    expect(shown).toContain('Thursday: 1 reel to fill, all in time');
    expect(shown).toMatch(
      /Bench 1, Joss ?R-0041, Pier reel.*120 m N-207 ?over 77 m S-031 ?from 13:00.*Start there/,
    );
    expect(shown).toMatch(/Bench 2 ?Nothing waits here/);
    expect(shown).toMatch(/Bag 24.*3 h/);
    expect(shown).toContain('2 changes of supply');
  });

  it('of a new shop has the first steps in place of an empty order', async () => {
    const screen = await onTheDay(aDay({ isNew: true, rows: [], bags: [] }));
    expect(screen.shown()).toContain('This shop is new. Four steps');
    expect(screen.shown()).not.toContain('Running order');
  });

  it('with nothing to do says how to begin', async () => {
    const screen = await onTheDay(aDay({ rows: [], bags: [], changes: 0 }));
    expect(screen.shown()).toContain('Nothing waits. Book in a bag');
  });

  it('that does not come says why, and asks again', async () => {
    const screen = await openScreen(DayPage);
    screen.http.expectOne('/api/day').flush(problem('database-away', 'The database does not answer.'), {
      status: 503,
      statusText: 'no',
    });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('The database does not answer.');
    await screen.press('Ask again');
    screen.http.expectOne('/api/day').flush(aDay());
    await screen.fixture.whenStable();
    expect(rowsOf(screen)).toEqual(['fill:1']);
  });

  it('takes the reel that is next to its bench, by key as well', async () => {
    const screen = await onTheDay();
    await screen.press('Start there');
    const started = screen.http.expectOne({ method: 'POST', url: '/api/runs' });
    expect(started.request.body).toEqual({ jobId: 1, benchId: 1 });
    started.flush(problem('bad-request', 'This reel waits for line.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('This reel waits for line.');
    pressKey('b');
    screen.http.expectOne({ method: 'POST', url: '/api/runs' });
  });

  it('goes on with what is on a bench, and begins nothing again', async () => {
    const on = aRow({ state: 'now', reels: [{ ...aRow().reels[0]!, runId: 7 }] });
    const screen = await onTheDay(aDay({ rows: [on] }));
    expect(screen.shown()).toMatch(/to be full by 13:28 .*Continue there/);
    const went = vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await screen.press('Continue there');
    expect(went).toHaveBeenCalledWith(['/bench', 7]);
    screen.http.expectNone('/api/runs');
  });

  it.each([
    ['Pin to 13:00', { at: aRow().startAt, benchId: 1, personId: 2, earliestAt: null, apart: false }],
    [
      'Put off by an hour',
      {
        at: null,
        benchId: null,
        personId: null,
        earliestAt: new Date(Date.parse(aRow().startAt) + 3_600_000).toISOString(),
        apart: false,
      },
    ],
    ['To Bench 2', { at: null, benchId: 2, personId: null, earliestAt: null, apart: false }],
    ['Give to Tova', { at: null, benchId: null, personId: 1, earliestAt: null, apart: false }],
  ])('asks of a row what is pressed: %s', async (words, body) => {
    const screen = await onTheDay();
    await screen.press('R-0041');
    await screen.press(words);
    const change = screen.http.expectOne({ method: 'PUT', url: '/api/day/operations/fill%3A1' });
    expect(change.request.body).toEqual(body);
    change.flush(aDay({ rows: [aRow({ pinned: true })] }));
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('pinned');
    await screen.press('R-0041');
    await screen.press('Undo what was asked');
    const undone = screen.http.expectOne({ method: 'PUT', url: '/api/day/operations/fill%3A1' });
    expect(undone.request.body).toEqual({
      at: null,
      benchId: null,
      personId: null,
      earliestAt: null,
      apart: false,
    });
  });

  it('keeps the day on screen where a change is refused', async () => {
    const screen = await onTheDay();
    await screen.press('R-0041');
    await screen.press('To Bench 2');
    screen.http
      .expectOne({ method: 'PUT', url: '/api/day/operations/fill%3A1' })
      .flush(problem('already-closed', 'This has begun.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('This has begun.');
    expect(rowsOf(screen)).toEqual(['fill:1']);
  });

  it('orders all of it again, and drops what was asked by hand', async () => {
    const screen = await onTheDay(aDay({ rows: [aRow({ pinned: true })] }));
    pressKey('r');
    screen.http.expectOne({ method: 'PUT', url: '/api/day' }).flush(aDay({ rows: [aRow({ pinned: true })] }));
    await screen.fixture.whenStable();
    await screen.press('Undo all pins');
    screen.http.expectOne({ method: 'DELETE', url: '/api/day/operations' }).flush(aDay());
    await screen.fixture.whenStable();
    expect(screen.shown()).not.toContain('Undo all pins');
  });

  it('says who is here, and goes on without who has gone', async () => {
    const screen = await onTheDay();
    const boxes = [...screen.element.querySelectorAll<HTMLInputElement>('input[type=checkbox]')];
    expect(boxes.map(({ checked }) => checked)).toEqual([true, true]);
    boxes[1]!.click();
    const gone = screen.http.expectOne({ method: 'PUT', url: '/api/day/people/2' });
    expect(gone.request.body).toEqual({ here: false });
  });

  it('tells what moved and why, and what has no place and what would give it one', async () => {
    const screen = await onTheDay(
      aDay({
        moved: [{ id: 'fill:1', wasAt: aDay().now, isAt: aRow().startAt, why: 'Bag 31 was booked in.' }],
        noPlace: [{ jobId: 9, tag: 'R-0052', bag: 31, why: 'It waits for 22 m.', cure: 'Add a spool.' }],
      }),
    );
    const shown = screen.shown();
    expect(shown).toContain('R-0041, Pier reel: 12:00 → 13:00. Bag 31 was booked in.');
    expect(shown).toMatch(
      /R-0052 has no place ?It waits for 22 m. Add a spool. ?Open bag 31 ?Tell the customer/,
    );
  });

  it('shows what is in the tubs, and when it comes out', async () => {
    const hour = (hours: number): string =>
      new Date(Date.parse(aDay().now) + hours * 3_600_000).toISOString();
    const soak = { code: 'N-231', tint: '#888888', inAt: hour(-1), readyAt: hour(1), tooLongAt: hour(4) };
    const ready = { ...soak, code: 'N-211', readyAt: hour(-0.5) };
    const screen = await onTheDay(
      aDay({
        tubs: [
          { name: 'Left tub', soaks: [soak, ready] },
          { name: 'Empty', soaks: [] },
        ],
      }),
    );
    expect(screen.shown()).toMatch(/Left tub N-231 comes out at 13:00 N-211 is ready to come out/);
    expect(screen.shown()).not.toContain('Empty');
    const [waves] = screen.element.querySelectorAll('ys-tub-card rect:nth-of-type(2)');
    expect(Number(waves!.getAttribute('width'))).toBeCloseTo(133, 6);
  });

  it('shows the first rows of a long day, and all of them when asked', async () => {
    const rows = Array.from({ length: 40 }, (_, i) => aRow({ id: `fill:${String(i)}` }));
    const screen = await onTheDay(aDay({ rows, later: 3 }));
    expect(rowsOf(screen)).toHaveLength(24);
    expect(screen.shown()).toContain('3 more bags are promised later');
    await screen.press('Show all 40 rows');
    expect(rowsOf(screen)).toHaveLength(40);
  });

  it('of a closed shop says from when on it is', async () => {
    const screen = await onTheDay(aDay({ opensAt: new Date('2031-03-14T09:00:00').toISOString() }));
    expect(screen.shown()).toContain('The shop is closed now. This is the order from Fri 9:00 on.');
  });

  it('shows what each bag would have in hand while something is tried, and no more once it is not', async () => {
    const screen = await onTheDay();
    await screen.press('R-0041');
    const button = [...screen.element.querySelectorAll('button')].find((one) =>
      one.textContent.includes('Put off by an hour'),
    )!;
    button.dispatchEvent(new Event('mouseenter'));
    const asked = await vi.waitFor(() => screen.http.expectOne({ method: 'POST', url: '/api/day/try' }));
    expect(asked.request.body).toMatchObject({ operation: 'fill:1', wish: { at: null, apart: false } });
    const [bag] = aDay().bags;
    const later = new Date(Date.parse(bag!.endAt) + 3_600_000).toISOString();
    asked.flush({ bags: [{ ...bag, endAt: later, surelyAt: later }], broken: 0 });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('3 h → 2 h');
    expect(screen.element.querySelector('[data-test=before]')).not.toBeNull();
    button.dispatchEvent(new Event('mouseleave'));
    await vi.waitFor(() => {
      screen.fixture.detectChanges();
      expect(screen.shown()).not.toContain('→');
    });
    screen.http.expectNone({ method: 'PUT', url: '/api/day/operations/fill%3A1' });
  });

  it('takes a set apart, and fills a reel with its set again', async () => {
    const set = { id: 'fill:24:counters', apart: false };
    const screen = await onTheDay(aDay({ rows: [aRow({ id: set.id, set })] }));
    await screen.press('R-0041');
    await screen.press('Take the set apart');
    const url = '/api/day/operations/fill%3A24%3Acounters';
    const split = screen.http.expectOne({ method: 'PUT', url });
    expect(split.request.body).toMatchObject({ apart: true });
    split.flush(aDay({ rows: [aRow({ set: { ...set, apart: true } })] }));
    await screen.fixture.whenStable();
    await screen.press('R-0041');
    await screen.press('Fill it with its set');
    expect(screen.http.expectOne({ method: 'PUT', url }).request.body).toMatchObject({ apart: false });
  });

  it('of one bench and no tub is one plain list, from which the first reel is begun', async () => {
    const screen = await onTheDay(aDay({ benches: [{ id: 1, name: 'Bench 1', runId: null }] }));
    expect(screen.element.querySelector('[data-test=bench-card]')).toBeNull();
    expect(screen.shown()).not.toContain('Time in hand');
    expect(screen.shown()).toMatch(/R-0041, Pier reel.*3 h in hand/);
    expect(screen.shown()).toContain('Who is here today');
    await screen.press('Start');
    const started = screen.http.expectOne({ method: 'POST', url: '/api/runs' });
    expect(started.request.body).toEqual({ jobId: 1, benchId: 1 });
  });

  it('looks again soon while a better order is looked for', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
    try {
      const screen = await onTheDay(aDay({ improving: true }));
      screen.fixture.detectChanges();
      vi.advanceTimersByTime(2100);
      screen.http.expectOne('/api/day').flush(aDay());
      vi.advanceTimersByTime(5000);
      screen.http.expectNone('/api/day');
      // Not while somebody tries something: it would be gone from under the hand.
      await screen.press('R-0041');
      const button = [...screen.element.querySelectorAll('button')].find((one) =>
        one.textContent.includes('Put off'),
      )!;
      button.dispatchEvent(new Event('mouseenter'));
      vi.advanceTimersByTime(40_000);
      screen.http.expectNone('/api/day');
      button.dispatchEvent(new Event('mouseleave'));
      vi.advanceTimersByTime(40_000);
      screen.http.expectOne('/api/day');
    } finally {
      vi.useRealTimers();
    }
  });

  it('puts the message to a customer whose line is not there among those to send', async () => {
    const none = { jobId: 9, tag: 'R-0052', bag: 31, why: 'It waits for 22 m.', cure: 'Add a spool.' };
    const screen = await onTheDay(aDay({ noPlace: [none] }));
    const went = vi.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    await screen.press('Tell the customer');
    const told = screen.http.expectOne({ method: 'POST', url: '/api/messages' });
    expect(told.request.body).toEqual({ bag: 31 });
    told.flush(problem('not-allowed', 'All of it is there by now.'), { status: 409, statusText: 'no' });
    await screen.fixture.whenStable();
    expect(screen.shown()).toContain('All of it is there by now.');
    await screen.press('Tell the customer');
    screen.http.expectOne({ method: 'POST', url: '/api/messages' }).flush({
      id: 3,
      kind: 'waits',
      customer: { id: 1, name: 'Pier club', contact: '' },
      bag: 31,
      tag: null,
      text: 'Hello',
      state: 'waiting',
      at: aDay().now,
      by: 'Tova',
      done: null,
      version: 1,
    });
    expect(went).toHaveBeenCalledWith(['/bags/messages']);
  });
});
