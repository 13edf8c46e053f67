import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import type { ServerContext } from '../../context/context';
import { askPromise } from '../../day/ask-promise';
import { dropWishes, isHere, tryWish, wishOfDay } from '../../day/change-day';
import { orderAgain, readDay } from '../../day/read-day';
import { personOf, serve } from '../serve';

/** The running order of the day, and what is asked of it by hand. */
export function dayRoutes(router: Router, context: ServerContext): void {
  serve(router, api.readDay, () => readDay(context));
  serve(router, api.orderDay, () => orderAgain(context));
  serve(router, api.askPromise, ({ body }) => askPromise(context, body));
  serve(router, api.wishOfDay, ({ params, body, response }) =>
    wishOfDay(context, personOf(response), params.id, body),
  );
  serve(router, api.tryWish, ({ body }) => tryWish(context, body));
  serve(router, api.dropWishes, ({ response }) => dropWishes(context, personOf(response)));
  serve(router, api.isHere, ({ params, body, response }) =>
    isHere(context, personOf(response), params.id, body.here),
  );
}
