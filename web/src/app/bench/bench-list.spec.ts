import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { OpenRun } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import { Subject } from 'rxjs';
import { Outbox, type Confirmed } from '../data/outbox.service';
import { A_DRAWING } from '../testing/drawings';
import { anEvent } from '../testing/runs';
import { openScreen } from '../testing/screen';
import { BenchList } from './bench-list';

const run = (aside: boolean): OpenRun => ({
  promisedAt: '2031-03-10T17:00:00.000Z',
  drawing: A_DRAWING,
  id: 5,
  bench: 'Bench 1',
  bagNumber: 3,
  customer: 'Aside',
  position: 1,
  reelsInBag: 1,
  tag: 'R-5',
  label: 'Plain 3000',
  aside,
});

it('says that a reel was put aside before the server knows, and asks again once it does', async () => {
  const aside = anEvent(4, { kind: 'put-aside', payload: { why: '' } });
  const waiting = signal<readonly RunEvent[]>([aside]);
  const confirmed$ = new Subject<Confirmed>();
  TestBed.configureTestingModule({
    providers: [{ provide: Outbox, useValue: { of: () => waiting(), confirmed$ } }],
  });
  const screen = await openScreen(BenchList);
  screen.http.expectOne('/api/runs?after=').flush({ rows: [run(false)], next: null });
  await screen.fixture.whenStable();
  expect(screen.shown()).toContain('Put aside: take it up');
  waiting.set([]);
  confirmed$.next({ run: '5', events: [aside] });
  screen.http.expectOne('/api/runs?after=').flush({ rows: [run(true)], next: null });
  await screen.fixture.whenStable();
  expect(screen.shown()).toContain('Put aside: take it up');
  confirmed$.next({ run: '5', events: [anEvent(5, { kind: 'step-done', payload: { step: 'mount' } })] });
  screen.http.expectNone('/api/runs?after=');
});
