import type { Router } from 'express';
import { api } from '@yard-spool/contract';
import { changeReelKind, listReelKinds, mergeReelKinds } from '../../bags/reel-kinds';
import type { ServerContext } from '../../context/context';
import { readLearning } from '../../learning/learning';
import { listCustomerCounters } from '../../reels/customer-counters';
import { findReels, readReel } from '../../reels/reels';
import { personOf, serve } from '../serve';

/** The reel book and what was learned, one line a route. */
export function reelsRoutes(router: Router, context: ServerContext): void {
  serve(router, api.readLearning, () => readLearning(context));
  serve(router, api.listReelKinds, () => listReelKinds(context));
  serve(router, api.changeReelKind, ({ params, body, response }) =>
    changeReelKind(context, personOf(response), params.id, body),
  );
  serve(router, api.mergeReelKinds, ({ params, body, response }) =>
    mergeReelKinds(context, personOf(response), params.id, body.into),
  );
  serve(router, api.findReels, ({ query }) => findReels(context, query));
  serve(router, api.listCustomerCounters, ({ params }) => listCustomerCounters(context, params.id));
  serve(router, api.readReel, ({ params }) => readReel(context, params.tag));
}
