import { api } from '@yard-spool/contract';
import type { Router } from 'express';
import { addBench, changeBench, listBenches, removeBench } from '../benches/benches';
import type { ServerContext } from '../context';
import { readHabits } from '../house-rules/habits';
import { listHouseChanges } from '../house-rules/house-changes';
import { changeHouseRules } from '../house-rules/house-rules';
import { listExceptions } from '../house-rules/list-exceptions';
import { dropException, setException } from '../house-rules/exceptions';
import { previewHouseRules } from '../house-rules/preview';
import { readHouseRules } from '../house-rules/read-house-rules';
import { listUnreadFacts } from '../mending/unread-facts';
import { mendFact } from '../mending/mend-fact';
import { addMember, changeMember, listPeople, setPasscode } from '../people/members';
import { listAudit } from '../people/audit';
import { beginSecondStep, confirmSecondStep, endSecondStep } from '../people/second-step';
import { endSession, hashToken, listSignedIn } from '../people/sessions';
import { placeOf } from './place';
import { passcodeTries } from './tries';
import { personOf, serve } from './serve';
import { tokenOf } from './session-cookie';

/** What the house settles: its rules and the exceptions to them, its benches and its people. */
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
  serve(router, api.listSignedIn, ({ request, response }) =>
    listSignedIn(context, personOf(response), tokenOf(request)),
  );
  serve(router, api.endSession, ({ params, request, response }) =>
    endSession(context, personOf(response), params.key, placeOf(request)),
  );
  serve(router, api.listAudit, ({ response }) => listAudit(context, personOf(response)));
  serve(router, api.listPeople, () => listPeople(context));
  serve(router, api.addPerson, ({ body, request, response }) =>
    addMember(context, personOf(response), body, placeOf(request)),
  );
  serve(router, api.changePerson, ({ params, body, request, response }) =>
    changeMember(context, personOf(response), params.id, body, placeOf(request)),
  );
  serve(router, api.beginSecondStep, ({ params, response }) =>
    beginSecondStep(context, personOf(response), params.id),
  );
  serve(router, api.confirmSecondStep, ({ params, body, request, response }) =>
    confirmSecondStep(context, personOf(response), params.id, { code: body.code, place: placeOf(request) }),
  );
  serve(router, api.endSecondStep, ({ params, request, response }) =>
    endSecondStep(context, personOf(response), params.id, placeOf(request)),
  );
  router.post(api.setPasscode.path, passcodeTries());
  serve(router, api.setPasscode, ({ params, body, request, response }) =>
    setPasscode(context, personOf(response), params.id, body, {
      keepSession: hashToken(tokenOf(request)),
      place: placeOf(request),
    }),
  );
}
