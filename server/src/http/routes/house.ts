import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import { addBench, changeBench, listBenches, removeBench } from '../../benches/benches';
import type { ServerContext } from '../../context/context';
import { readHabits } from '../../house-rules/habits';
import { listHouseChanges } from '../../house-rules/list-house-changes';
import { changeHouseRules } from '../../house-rules/house-rules';
import { listExceptions } from '../../house-rules/list-exceptions';
import { dropException, setException } from '../../house-rules/exceptions';
import { previewHouseRules } from '../../planning/preview';
import { readHouseRules } from '../../shop/read-house-rules';
import { listUnreadFacts } from '../../mending/unread-facts';
import { mendFact } from '../../mending/mend-fact';
import { personOf, serve } from '../serve';

/** What the house settles: its rules and the exceptions to them, and its benches. */
export function houseRoutes(router: Router, context: ServerContext): void {
  serve(router, api.readHouseRules, () => readHouseRules(context));
  serve(router, api.changeHouseRules, ({ body, response }) =>
    changeHouseRules(context, personOf(response), body),
  );
  serve(router, api.previewHouseRules, ({ body }) => previewHouseRules(context, body.rules));
  serve(router, api.listHouseChanges, () => listHouseChanges(context));
  serve(router, api.listUnreadFacts, ({ response }) => listUnreadFacts(context, personOf(response)));
  serve(router, api.mendFact, ({ body, response }) => mendFact(context, personOf(response), body));
  serve(router, api.readHabits, () => readHabits(context));
  serve(router, api.listExceptions, () => listExceptions(context));
  serve(router, api.setException, ({ body, response }) => setException(context, personOf(response), body));
  serve(router, api.dropException, ({ params, response }) =>
    dropException(context, personOf(response), params.id),
  );
  serve(router, api.listBenches, () => listBenches(context));
  serve(router, api.addBench, ({ body, response }) => addBench(context, personOf(response), body));
  serve(router, api.changeBench, ({ params, body, response }) =>
    changeBench(context, personOf(response), params.id, body),
  );
  serve(router, api.removeBench, ({ params, response }) =>
    removeBench(context, personOf(response), params.id),
  );
}
