import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import type { ServerContext } from '../../context/context';
import { COMEBACK_FIGURES } from '../../record/comeback-figures';
import { bookComeback, changeComeback, listComebacks } from '../../record/comebacks';
import { correctFill } from '../../reels/correct-fill';
import { changeCustomer, readCustomer } from '../../reels/customer-page';
import { markFill } from '../../reels/mark-fill';
import { listDue } from '../../reels/read-due';
import { listRecipes } from '../../reels/recipes';
import { changeReel, mergeReels } from '../../reels/reel-entry';
import { listGot } from '../../search/got';
import { search } from '../../search/search';
import { personOf, serve } from '../serve';

/** The record of every reel, one line a route. */
export function recordRoutes(router: Router, context: ServerContext): void {
  serve(router, api.correctFill, ({ params, body, response }) =>
    correctFill(context, personOf(response), params.id, body),
  );
  serve(router, api.markFill, ({ params, body, response }) =>
    markFill(context, personOf(response), params.id, body),
  );
  serve(router, api.bookComeback, ({ params, body, response }) =>
    bookComeback(context, personOf(response), params.id, body),
  );
  serve(router, api.changeComeback, ({ params, body, response }) =>
    changeComeback(context, personOf(response), params.id, body),
  );
  serve(router, api.readComebackFigures, () => COMEBACK_FIGURES.ask(context));
  serve(router, api.listComebacks, ({ query }) => listComebacks(context, query));
  serve(router, api.changeReel, ({ params, body, response }) =>
    changeReel(context, personOf(response), params.tag, body),
  );
  serve(router, api.mergeReels, ({ params, body, response }) =>
    mergeReels(context, personOf(response), params.tag, body),
  );
  serve(router, api.listDue, ({ query }) => listDue(context, query));
  serve(router, api.readCustomer, ({ params }) => readCustomer(context, params.id));
  serve(router, api.changeCustomer, ({ params, body, response }) =>
    changeCustomer(context, personOf(response), params.id, body),
  );
  serve(router, api.search, ({ query }) => search(context, query.q));
  serve(router, api.listGot, ({ query }) => listGot(context, query));
  serve(router, api.listRecipes, ({ params }) => listRecipes(context, params.id));
}
