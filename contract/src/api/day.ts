import * as v from 'valibot';
import {
  DayPlanSchema,
  DayTriedSchema,
  DayTrySchema,
  DayWishSchema,
  HereSchema,
  OperationIdSchema,
} from '../day';
import { NothingSchema } from '../basics';
import { EarliestPromiseSchema, PromiseAskedSchema } from '../promise';
import { route } from '../route';
import { byId } from './params';

/** The running order of the day. */
export const dayApi = {
  readDay: route('GET', '/day', { reply: DayPlanSchema }),
  orderDay: route('PUT', '/day', { body: NothingSchema, reply: DayPlanSchema }),
  askPromise: route('POST', '/day/promise', { body: PromiseAskedSchema, reply: EarliestPromiseSchema }),
  wishOfDay: route('PUT', '/day/operations/:id', {
    params: v.object({ id: OperationIdSchema }),
    body: DayWishSchema,
    reply: DayPlanSchema,
  }),
  tryWish: route('POST', '/day/try', { body: DayTrySchema, reply: DayTriedSchema }),
  dropWishes: route('DELETE', '/day/operations', { reply: DayPlanSchema }),
  isHere: route('PUT', '/day/people/:id', { params: byId, body: HereSchema, reply: DayPlanSchema }),
} as const;
