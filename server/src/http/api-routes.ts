import { api, type Network } from '@yard-spool/contract';
import { Router } from 'express';
import { readBag, readJob } from '../bags/bags';
import { listBags } from '../bags/list-bags';
import { bookBag } from '../bags/book-bag';
import { cancelBag, cancelJob, changeBag, changeJob, moveJob } from '../bags/change-bag';
import { listCustomerReels, readLastPlan } from '../bags/customer-reels';
import { findCustomers } from '../bags/customers';
import { changeReelKind, listReelKinds, mergeReelKinds } from '../bags/reel-kinds';
import { appendEvents } from '../bench/append-events';
import { closeRun } from '../bench/close-run';
import { giveUpRun } from '../bench/give-up';
import { reopenRun } from '../bench/reopen-run';
import { listOpenRuns, readRun, startRun } from '../bench/runs';
import type { ServerContext } from '../context';
import type { BenchCounters } from '../devices/bench-counters';
import { readLearning } from '../learning/learning';
import { ProblemError } from '../problem-error';
import { listCountersWaiting } from '../bench/counters-waiting';
import { listCustomerCounters } from '../reels/customer-counters';
import { findReels, readReel } from '../reels/reels';
import { Lanes } from './lanes';
import { liveRoute } from './live-route';
import { houseRoutes } from './house-routes';
import { rackRoutes } from './rack-routes';
import { onlyOnce } from './only-once';
import { placeOf } from './place';
import { provedLately } from './proved-lately';
import { tokenOf } from './session-cookie';
import { proofTries } from './tries';
import { proveAgain } from '../people/prove-again';
import { paperRoutes } from './paper-routes';
import { recordRoutes } from './record-routes';
import { personOf, serve } from './serve';

/** Everything that needs somebody signed in, one line a route. */
export function apiRoutes(context: ServerContext, counters: BenchCounters, network: Network): Router {
  const router = Router();
  const lanes = new Lanes();
  router.use((_request, response, next) => {
    personOf(response);
    next();
  });
  proofRoute(router, context);
  router.use(provedLately(context), onlyOnce(context));
  serve(router, api.findCustomers, ({ query }) => findCustomers(context, query.q));
  serve(router, api.listBags, ({ query }) => listBags(context, query));
  serve(router, api.bookBag, ({ body, response }) => bookBag(context, personOf(response), body));
  serve(router, api.readBag, ({ params }) => readBag(context, params.number));
  serve(router, api.changeBag, ({ params, body, response }) =>
    changeBag(context, personOf(response), params.number, body),
  );
  serve(router, api.cancelBag, ({ params, body, response }) =>
    cancelBag(context, personOf(response), params.number, body),
  );
  serve(router, api.changeJob, ({ params, body, response }) =>
    changeJob(context, personOf(response), params.id, body),
  );
  serve(router, api.cancelJob, ({ params, body, response }) =>
    cancelJob(context, personOf(response), params.id, body),
  );
  serve(router, api.moveJob, ({ params, body, response }) =>
    moveJob(context, personOf(response), params.id, body),
  );
  serve(router, api.listCustomerReels, ({ params }) => listCustomerReels(context, params.id));
  serve(router, api.readLearning, () => readLearning(context));
  serve(router, api.listReelKinds, () => listReelKinds(context));
  serve(router, api.changeReelKind, ({ params, body, response }) =>
    changeReelKind(context, personOf(response), params.id, body),
  );
  serve(router, api.mergeReelKinds, ({ params, body, response }) =>
    mergeReelKinds(context, personOf(response), params.id, body.into),
  );
  serve(router, api.readJob, ({ params }) => readJob(context, params.id));
  serve(router, api.readNetwork, () => Promise.resolve(network));
  rackRoutes(router, context, lanes);
  houseRoutes(router, context);
  serve(router, api.listCustomerCounters, ({ params }) => listCustomerCounters(context, params.id));
  serve(router, api.listCountersWaiting, () => listCountersWaiting(context));
  serve(router, api.findReels, ({ query }) => findReels(context, query));
  serve(router, api.readLastPlan, ({ params }) => readLastPlan(context, params.tag));
  serve(router, api.readReel, ({ params }) => readReel(context, params.tag));
  recordRoutes(router, context);
  paperRoutes(router, context, lanes);
  runRoutes(router, context);
  liveRoute(router, context, counters);
  router.use(() => {
    throw new ProblemError('not-found', 'There is nothing at this address.');
  });
  return router;
}

/** The passcode again, of whoever is signed in. */
function proofRoute(router: Router, context: ServerContext): void {
  router.post(api.proveAgain.path, ...proofTries());
  serve(router, api.proveAgain, ({ body, request, response }) =>
    proveAgain(
      context,
      { person: personOf(response), token: tokenOf(request), place: placeOf(request) },
      body.passcode,
    ),
  );
}

/** Runs at the bench. */
function runRoutes(router: Router, context: ServerContext): void {
  serve(router, api.listOpenRuns, ({ query }) => listOpenRuns(context, query.after));
  serve(router, api.startRun, ({ body, response }) =>
    startRun(context, personOf(response), body.jobId, body.benchId),
  );
  serve(router, api.readRun, ({ params }) => readRun(context, params.id));
  serve(router, api.appendEvents, ({ params, body, response }) =>
    appendEvents(context, personOf(response), params.id, body.events),
  );
  serve(router, api.closeRun, ({ params, response }) => closeRun(context, personOf(response), params.id));
  serve(router, api.giveUpRun, ({ params, body, response }) =>
    giveUpRun(context, personOf(response), params.id, body),
  );
  serve(router, api.reopenRun, ({ params, body, response }) =>
    reopenRun(context, personOf(response), params.id, body.why),
  );
}
