import type { DayPlan, DayRow } from '@yard-spool/contract';
import { A_DRAWING } from './drawings';

/** The day's noon, in the zone of the machine the test runs on. */
export const NOON = '2031-03-13T12:00:00.000';
const at = (time: string): string => new Date(`2031-03-13T${time}:00.000`).toISOString();

/** A fill of one reel at bench 1, from one o'clock on. */
export const aRow = (more: Partial<DayRow> = {}): DayRow => ({
  id: 'fill:1',
  kind: 'fill',
  state: 'next',
  startAt: at('13:00'),
  endAt: at('13:28'),
  benchId: 1,
  personId: 2,
  bags: [24],
  reels: [
    {
      jobId: 1,
      runId: null,
      tag: 'R-0041',
      label: 'Pier reel',
      type: 'fixed-spool',
      bag: 24,
      drawing: A_DRAWING,
    },
  ],
  lines: [
    { code: 'S-031', name: 'Straw nylon', tint: '#d9c38b', lengthMm: 77_000 },
    { code: 'N-207', name: 'Smoke nylon', tint: '#bfd9df', lengthMm: 120_000 },
  ],
  changes: 2,
  set: null,
  pinned: false,
  ...more,
});

/** A day with one bag, promised for five o'clock and ready at two. */
export const aDay = (more: Partial<DayPlan> = {}): DayPlan => ({
  now: new Date(NOON).toISOString(),
  isNew: false,
  opensAt: null,
  rows: [aRow()],
  benches: [
    { id: 1, name: 'Bench 1', runId: null },
    { id: 2, name: 'Bench 2', runId: null },
  ],
  people: [
    { id: 1, name: 'Tova', here: true },
    { id: 2, name: 'Joss', here: true },
  ],
  tubs: [],
  bags: [
    {
      number: 24,
      customer: 'Pier club',
      promisedAt: at('17:00'),
      endAt: at('14:00'),
      surelyAt: at('14:30'),
      risk: 0,
    },
  ],
  noPlace: [],
  changes: 2,
  outings: 0,
  broken: 0,
  later: 0,
  moved: [],
  improving: false,
  ...more,
});
