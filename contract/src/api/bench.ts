import * as v from 'valibot';
import { NothingSchema } from '../basics';
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

/** What is told while somebody watches: its address, what it is asked with, and each thing told. */
export const streams = {
  /** A run's counter and what is added to its log, from behind a place on. */
  watchRun: {
    path: '/runs/:id/live',
    params: byId,
    query: v.object({ from: v.optional(v.pipe(v.string(), v.digits(), v.transform(Number)), '0') }),
    frame: RunFrameSchema,
  },
} as const;
