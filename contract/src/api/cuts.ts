import {
  AcceptCutsSchema,
  CutAskedSchema,
  CutPinSchema,
  CutsPlanSchema,
  CutTriedSchema,
  LeastMainSchema,
} from '../cut-plan';
import * as v from 'valibot';
import { LineOrderDoneSchema, LineOrderSchema, NewLineOrderSchema } from '../line-order';
import { route } from '../route';
import { byId } from './params';

/** Which reel is fed from which piece. */
export const cutsApi = {
  readCuts: route('GET', '/cuts', { reply: CutsPlanSchema }),
  tryCut: route('POST', '/cuts/try', { body: CutAskedSchema, reply: CutTriedSchema }),
  pinCut: route('PUT', '/cuts/pin', { body: CutPinSchema, reply: CutsPlanSchema }),
  leastMain: route('PUT', '/cuts/least', { body: LeastMainSchema, reply: CutsPlanSchema }),
  listOrders: route('GET', '/orders', { reply: v.array(LineOrderSchema) }),
  addOrder: route('POST', '/orders', { body: NewLineOrderSchema, reply: v.array(LineOrderSchema) }),
  endOrder: route('POST', '/orders/:id/done', {
    params: byId,
    body: LineOrderDoneSchema,
    reply: v.array(LineOrderSchema),
  }),
  acceptCuts: route('POST', '/cuts/accept', { body: AcceptCutsSchema, reply: CutsPlanSchema }),
} as const;
