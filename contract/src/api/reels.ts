import * as v from 'valibot';
import { ChangeReelKindSchema, MergeReelKindsSchema, ReelKindSchema } from '../bags';
import { LearningSchema } from '../learning';
import { pageOf } from '../pages';
import { CustomerCounterSchema, ReelRowSchema, ReelSchema, ReelsQuerySchema } from '../reels';
import { route } from '../route';
import { byId, byTag } from './params';

/** Reels, the reel book and what was learned. */
export const reelsApi = {
  readLearning: route('GET', '/learning', { reply: LearningSchema }),
  listReelKinds: route('GET', '/reel-kinds', { reply: v.array(ReelKindSchema) }),
  changeReelKind: route('PUT', '/reel-kinds/:id', {
    params: byId,
    body: ChangeReelKindSchema,
    reply: ReelKindSchema,
  }),
  mergeReelKinds: route('POST', '/reel-kinds/:id/merge', {
    params: byId,
    body: MergeReelKindsSchema,
    reply: ReelKindSchema,
  }),
  findReels: route('GET', '/reels', { query: ReelsQuerySchema, reply: pageOf(ReelRowSchema) }),
  listCustomerCounters: route('GET', '/customers/:id/counters', {
    params: byId,
    reply: v.array(CustomerCounterSchema),
  }),
  readReel: route('GET', '/reels/:tag', { params: byTag, reply: ReelSchema }),
} as const;
