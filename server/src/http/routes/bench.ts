import type { Router } from 'express';
import { api } from '@yard-spool/contract';
import { appendEvents } from '../../bench/append-events';
import { closeRun } from '../../bench/close-run';
import { listCountersWaiting } from '../../bench/counters-waiting';
import { giveUpRun } from '../../bench/give-up';
import { reopenRun } from '../../bench/reopen-run';
import { listOpenRuns, readRun, startRun } from '../../bench/runs';
import type { ServerContext } from '../../context/context';
import { personOf, serve } from '../serve';

/** Runs at the bench, one line a route. */
export function benchRoutes(router: Router, context: ServerContext): void {
  serve(router, api.listOpenRuns, ({ query }) => listOpenRuns(context, query.after));
  serve(router, api.startRun, ({ body, response }) =>
    startRun(context, personOf(response), body.jobId, body.benchId),
  );
  serve(router, api.readRun, ({ params }) => readRun(context, params.id));
  serve(router, api.appendEvents, ({ params, body, response }) =>
    appendEvents(context, personOf(response), params.id, body.events),
  );
  serve(router, api.listCountersWaiting, () => listCountersWaiting(context));
  serve(router, api.giveUpRun, ({ params, body, response }) =>
    giveUpRun(context, personOf(response), params.id, body),
  );
  serve(router, api.reopenRun, ({ params, body, response }) =>
    reopenRun(context, personOf(response), params.id, body.why),
  );
  serve(router, api.closeRun, ({ params, response }) => closeRun(context, personOf(response), params.id));
}
