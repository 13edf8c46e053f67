import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import type { ServerContext } from '../../context/context';
import { acceptCuts } from '../../cuts/accept-cuts';
import { leastMain, pinCut } from '../../cuts/change-cuts';
import { addOrder, endOrder, listOrders } from '../../cuts/line-orders';
import { readCuts } from '../../cuts/read-cuts';
import { tryCut } from '../../cuts/try-cut';
import { personOf, serve } from '../serve';

/** Which reel is fed from which piece. */
export function cutsRoutes(router: Router, context: ServerContext): void {
  serve(router, api.readCuts, () => readCuts(context));
  serve(router, api.tryCut, ({ body }) => tryCut(context, body));
  serve(router, api.pinCut, ({ body, response }) => pinCut(context, personOf(response), body));
  serve(router, api.leastMain, ({ body, response }) => leastMain(context, personOf(response), body));
  serve(router, api.listOrders, () => listOrders(context));
  serve(router, api.addOrder, ({ body, response }) => addOrder(context, personOf(response), body));
  serve(router, api.endOrder, ({ params, body, response }) =>
    endOrder(context, personOf(response), params.id, body.how),
  );
  serve(router, api.acceptCuts, ({ body, response }) =>
    acceptCuts(context, personOf(response), body.revision),
  );
}
