import * as v from 'valibot';
import { pageOf } from '../pages';
import {
  ChangeComebackSchema,
  ChangeCustomerSchema,
  ChangeReelSchema,
  ComebackFiguresSchema,
  ComebackSchema,
  ComebacksQuerySchema,
  CorrectFillSchema,
  CustomerPageSchema,
  DueQuerySchema,
  DueRowSchema,
  MarkFillSchema,
  MergeReelsSchema,
  NewComebackSchema,
  RecipeSchema,
} from '../record';
import { ReelSchema } from '../reels';
import { route } from '../route';
import { FoundSchema, GotQuerySchema, GotRowSchema, SearchQuerySchema } from '../search';
import { byId, byTag } from './params';

/** The record of every reel: put right, looked for, and what is due of it. */
export const recordApi = {
  correctFill: route('POST', '/fills/:id/correct', {
    params: byId,
    body: CorrectFillSchema,
    reply: ReelSchema,
  }),
  markFill: route('POST', '/fills/:id/marks', { params: byId, body: MarkFillSchema, reply: ReelSchema }),
  bookComeback: route('POST', '/fills/:id/comebacks', {
    params: byId,
    body: NewComebackSchema,
    reply: ComebackSchema,
  }),
  changeComeback: route('PUT', '/comebacks/:id', {
    params: byId,
    body: ChangeComebackSchema,
    reply: ComebackSchema,
  }),
  readComebackFigures: route('GET', '/comebacks/figures', { reply: ComebackFiguresSchema }),
  listComebacks: route('GET', '/comebacks', { query: ComebacksQuerySchema, reply: pageOf(ComebackSchema) }),
  changeReel: route('PUT', '/reels/:tag', { params: byTag, body: ChangeReelSchema, reply: ReelSchema }),
  mergeReels: route('POST', '/reels/:tag/merge', {
    params: byTag,
    body: MergeReelsSchema,
    reply: ReelSchema,
  }),
  listDue: route('GET', '/due', { query: DueQuerySchema, reply: pageOf(DueRowSchema) }),
  readCustomer: route('GET', '/customers/:id', { params: byId, reply: CustomerPageSchema }),
  changeCustomer: route('PUT', '/customers/:id', {
    params: byId,
    body: ChangeCustomerSchema,
    reply: CustomerPageSchema,
  }),
  search: route('GET', '/search', { query: SearchQuerySchema, reply: FoundSchema }),
  listGot: route('GET', '/got', { query: GotQuerySchema, reply: pageOf(GotRowSchema) }),
  listRecipes: route('GET', '/reel-kinds/:id/recipes', { params: byId, reply: v.array(RecipeSchema) }),
} as const;
