import * as v from 'valibot';
import { IdSchema, NothingSchema } from '../basics';
import { afterOf, pageOf } from '../pages';
import { FillSchema } from '../reels';
import { route } from '../route';
import {
  AddedEventsSchema,
  AppendEventsSchema,
  GiveUpSchema,
  NewRunSchema,
  OpenRunSchema,
  ReopenRunSchema,
  RunFrameSchema,
  RunSchema,
  CounterWaitingSchema,
} from '../runs';
import { byId } from './params';

/** Runs at the bench. */
export const benchApi = {
  listOpenRuns: route('GET', '/runs', {
    query: v.object({ after: afterOf(/^\d{0,12}$/) }),
    reply: pageOf(OpenRunSchema),
  }),
  startRun: route('POST', '/runs', { body: NewRunSchema, reply: RunSchema }),
  readRun: route('GET', '/runs/:id', { params: byId, reply: RunSchema }),
  appendEvents: route('POST', '/runs/:id/events', {
    params: byId,
    body: AppendEventsSchema,
    reply: AddedEventsSchema,
  }),
  listCountersWaiting: route('GET', '/counters-waiting', { reply: v.array(CounterWaitingSchema) }),
  giveUpRun: route('POST', '/runs/:id/give-up', { params: byId, body: GiveUpSchema, reply: NothingSchema }),
  reopenRun: route('POST', '/runs/:id/reopen', { params: byId, body: ReopenRunSchema, reply: RunSchema }),
  closeRun: route('POST', '/runs/:id/close', { params: byId, body: NothingSchema, reply: FillSchema }),
} as const;

/** More runs than one browser has open at once. */
const MOST_WATCHED = 12;

/** What is told while somebody watches: its address, what it is asked with, and each thing told. */
export const streams = {
  /** The counters of some runs and what is added to their logs, from behind a place on; one connection for all of them. */
  watchRuns: {
    path: '/live',
    query: v.object({
      /** Runs with the last place of each that is known: `12:340,13:0`. */
      runs: v.pipe(
        v.string(),
        v.regex(
          /^\d{1,9}:\d{1,9}(,\d{1,9}:\d{1,9})*$/,
          'Runs are written number:place, with commas between.',
        ),
        v.transform((text) =>
          text.split(',').map((one) => {
            const [run = 0, from = 0] = one.split(':').map(Number);
            return { run, from };
          }),
        ),
        v.maxLength(MOST_WATCHED, `At most ${String(MOST_WATCHED)} runs are watched at once.`),
      ),
    }),
    frame: v.object({ run: IdSchema, frame: RunFrameSchema }),
  },
} as const;
