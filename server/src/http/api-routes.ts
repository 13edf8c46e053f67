import type { Network } from '@yard-spool/contract';
import { Router } from 'express';
import type { ServerContext } from '../context/context';
import type { BenchCounters } from '../devices/bench-counters';
import { ProblemError } from '../problem-error';
import { Lanes } from './lanes';
import { onlyOnce } from './only-once';
import { provedLately } from './proved-lately';
import { accessRoutes, proofRoute } from './routes/access';
import { bagsRoutes } from './routes/bags';
import { benchRoutes } from './routes/bench';
import { cutsRoutes } from './routes/cuts';
import { dayRoutes } from './routes/day';
import { houseRoutes } from './routes/house';
import { liveRoute } from './routes/live';
import { paperRoutes } from './routes/paper';
import { rackRoutes } from './routes/rack';
import { recordRoutes } from './routes/record';
import { reelsRoutes } from './routes/reels';
import { personOf } from './serve';

/** Everything that needs somebody signed in, area by area as the contract has them. */
export function apiRoutes(context: ServerContext, counters: BenchCounters, network: Network): Router {
  const router = Router();
  const lanes = new Lanes();
  router.use((_request, response, next) => {
    personOf(response);
    next();
  });
  proofRoute(router, context);
  router.use(provedLately(context), onlyOnce(context));
  accessRoutes(router, context, network);
  bagsRoutes(router, context);
  reelsRoutes(router, context);
  rackRoutes(router, context, lanes);
  houseRoutes(router, context);
  recordRoutes(router, context);
  paperRoutes(router, context, lanes);
  benchRoutes(router, context);
  cutsRoutes(router, context);
  dayRoutes(router, context);
  liveRoute(router, context, counters);
  router.use(() => {
    throw new ProblemError('not-found', 'There is nothing at this address.');
  });
  return router;
}
