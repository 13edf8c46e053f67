import { api } from '@yard-spool/contract';
import { Router } from 'express';
import { listBags, readBag, readJob } from '../bags/bags';
import { bookBag } from '../bags/book-bag';
import { cancelBag, cancelJob, changeBag, changeJob, moveJob } from '../bags/change-bag';
import { listCustomerReels, readLastPlan } from '../bags/customer-reels';
import { findCustomers } from '../bags/customers';
import { changeReelKind, listReelKinds, mergeReelKinds } from '../bags/reel-kinds';
import { appendEvents } from '../bench/append-events';
import { closeRun } from '../bench/close-run';
import { reopenRun } from '../bench/reopen-run';
import { listOpenRuns, readRun, startRun } from '../bench/runs';
import type { House } from '../house';
import { readLearning } from '../learning/learning';
import { ProblemError } from '../problem-error';
import { findReels, readReel } from '../reels/reels';
import { liveRoute } from './live-route';
import { houseRoutes } from './house-routes';
import { rackRoutes } from './rack-routes';
import { personOf, serve } from './serve';

/** Everything that needs somebody signed in, one line a route. */
export function apiRoutes(house: House): Router {
  const router = Router();
  router.use((_request, response, next) => {
    personOf(response);
    next();
  });
  serve(router, api.findCustomers, ({ query }) => findCustomers(house, query.q));
  serve(router, api.listBags, () => listBags(house));
  serve(router, api.bookBag, ({ body, response }) => bookBag(house, personOf(response), body));
  serve(router, api.readBag, ({ params }) => readBag(house, params.number));
  serve(router, api.changeBag, ({ params, body, response }) =>
    changeBag(house, personOf(response), params.number, body),
  );
  serve(router, api.cancelBag, ({ params, body, response }) =>
    cancelBag(house, personOf(response), params.number, body),
  );
  serve(router, api.changeJob, ({ params, body, response }) =>
    changeJob(house, personOf(response), params.id, body),
  );
  serve(router, api.cancelJob, ({ params, body, response }) =>
    cancelJob(house, personOf(response), params.id, body),
  );
  serve(router, api.moveJob, ({ params, body, response }) =>
    moveJob(house, personOf(response), params.id, body),
  );
  serve(router, api.listCustomerReels, ({ params }) => listCustomerReels(house, params.id));
  serve(router, api.readLearning, () => readLearning(house));
  serve(router, api.listReelKinds, () => listReelKinds(house));
  serve(router, api.changeReelKind, ({ params, body }) => changeReelKind(house, params.id, body));
  serve(router, api.mergeReelKinds, ({ params, body }) => mergeReelKinds(house, params.id, body.into));
  serve(router, api.readJob, ({ params }) => readJob(house, params.id));
  rackRoutes(router, house);
  houseRoutes(router, house);
  serve(router, api.findReels, ({ query }) => findReels(house, query.q));
  serve(router, api.readLastPlan, ({ params }) => readLastPlan(house, params.tag));
  serve(router, api.readReel, ({ params }) => readReel(house, params.tag));
  serve(router, api.listOpenRuns, () => listOpenRuns(house));
  serve(router, api.startRun, ({ body, response }) =>
    startRun(house, personOf(response), body.jobId, body.bench),
  );
  serve(router, api.readRun, ({ params }) => readRun(house, params.id));
  serve(router, api.appendEvents, ({ params, body, response }) =>
    appendEvents(house, personOf(response), params.id, body.events),
  );
  serve(router, api.closeRun, ({ params, response }) => closeRun(house, personOf(response), params.id));
  serve(router, api.reopenRun, ({ params, body, response }) =>
    reopenRun(house, personOf(response), params.id, body.why),
  );
  liveRoute(router, house);
  router.use(() => {
    throw new ProblemError('not-found', 'There is nothing at this address.');
  });
  return router;
}
