import * as v from 'valibot';
import {
  BagRowSchema,
  BagSchema,
  BagsQuerySchema,
  CancelSchema,
  ChangeBagSchema,
  ChangeJobSchema,
  CustomerReelSchema,
  JobSchema,
  MoveJobSchema,
  RestoreJobsSchema,
  NewBagSchema,
  TaggedReelSchema,
} from '../bags';
import { CustomerSchema, CustomerSearchSchema } from '../customers';
import { pageOf } from '../pages';
import { route } from '../route';
import { byId, byNumber, byTag } from './params';

/** Customers, their bags and the reels booked in. */
export const bagsApi = {
  findCustomers: route('GET', '/customers', { query: CustomerSearchSchema, reply: v.array(CustomerSchema) }),
  listBags: route('GET', '/bags', { query: BagsQuerySchema, reply: pageOf(BagRowSchema) }),
  bookBag: route('POST', '/bags', { body: NewBagSchema, reply: BagSchema }),
  readBag: route('GET', '/bags/:number', { params: byNumber, reply: BagSchema }),
  changeBag: route('PUT', '/bags/:number', { params: byNumber, body: ChangeBagSchema, reply: BagSchema }),
  cancelBag: route('POST', '/bags/:number/cancel', {
    params: byNumber,
    body: CancelSchema,
    reply: BagSchema,
  }),
  restoreJobs: route('POST', '/bags/:number/restore', {
    params: byNumber,
    body: RestoreJobsSchema,
    reply: BagSchema,
  }),
  changeJob: route('PUT', '/jobs/:id', { params: byId, body: ChangeJobSchema, reply: BagSchema }),
  cancelJob: route('POST', '/jobs/:id/cancel', { params: byId, body: CancelSchema, reply: BagSchema }),
  moveJob: route('POST', '/jobs/:id/state', { params: byId, body: MoveJobSchema, reply: BagSchema }),
  readJob: route('GET', '/jobs/:id', { params: byId, reply: JobSchema }),
  listCustomerReels: route('GET', '/customers/:id/reels', {
    params: byId,
    reply: v.array(CustomerReelSchema),
  }),
  readLastPlan: route('GET', '/reels/:tag/last', { params: byTag, reply: TaggedReelSchema }),
} as const;
