import type { Router } from 'express';
import { api } from '@yard-spool/contract';
import { readBag, readJob } from '../../bags/bags';
import { bookBag } from '../../bags/book-bag';
import { cancelBag, cancelJob, changeBag, changeJob, moveJob } from '../../bags/change-bag';
import { listCustomerReels, readLastPlan } from '../../bags/customer-reels';
import { restoreJobs } from '../../bags/restore-jobs';
import { listBags } from '../../bags/list-bags';
import type { ServerContext } from '../../context/context';
import { findCustomers } from '../../customers/customers';
import { personOf, serve } from '../serve';

/** Bags and the reels in them, one line a route. */
export function bagsRoutes(router: Router, context: ServerContext): void {
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
  serve(router, api.restoreJobs, ({ params, body, response }) =>
    restoreJobs(context, personOf(response), params.number, body),
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
  serve(router, api.readJob, ({ params }) => readJob(context, params.id));
  serve(router, api.listCustomerReels, ({ params }) => listCustomerReels(context, params.id));
  serve(router, api.readLastPlan, ({ params }) => readLastPlan(context, params.tag));
}
