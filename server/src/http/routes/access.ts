import type { Router } from 'express';
import { api, type Network } from '@yard-spool/contract';
import type { ServerContext } from '../../context/context';
import { listAudit } from '../../people/audit';
import { addMember, changeMember, listPeople, setPasscode } from '../../people/members';
import { proveAgain } from '../../people/prove-again';
import { beginSecondStep, confirmSecondStep, endSecondStep } from '../../people/second-step';
import { endSession, hashToken, listSignedIn } from '../../people/sessions';
import { placeOf } from '../place';
import { personOf, serve } from '../serve';
import { tokenOf } from '../session-cookie';
import { passcodeTries, proofTries } from '../tries';

/** Who is signed in, and who works here, one line a route. */
export function accessRoutes(router: Router, context: ServerContext, network: Network): void {
  serve(router, api.readNetwork, () => Promise.resolve(network));
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
  router.post(api.setPasscode.path, passcodeTries());
  serve(router, api.setPasscode, ({ params, body, request, response }) =>
    setPasscode(context, personOf(response), params.id, body, {
      keepSession: hashToken(tokenOf(request)),
      place: placeOf(request),
    }),
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
}

/** The passcode again, of whoever is signed in: asked before what a manager is asked it for. */
export function proofRoute(router: Router, context: ServerContext): void {
  router.post(api.proveAgain.path, ...proofTries());
  serve(router, api.proveAgain, ({ body, request, response }) =>
    proveAgain(
      context,
      { person: personOf(response), token: tokenOf(request), place: placeOf(request) },
      body.passcode,
    ),
  );
}
