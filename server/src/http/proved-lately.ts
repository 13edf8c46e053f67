import { asksAgain } from '@yard-spool/contract';
import type { RequestHandler } from 'express';
import type { ServerContext } from '../context/context';
import { mustBeProved } from '../people/prove-again';
import { personOf } from './serve';

/** Lets a manager's acts through soon after the passcode was typed; who is no manager is refused by the act itself. */
export const provedLately =
  (context: ServerContext): RequestHandler =>
  (request, response, next) => {
    const { id, role } = personOf(response);
    // One's own passcode is changed with the one that holds now.
    const own = request.path === `/people/${String(id)}/passcode`;
    const { provedAt } = response.locals as { provedAt?: Date };
    if (role === 'manager' && !own && asksAgain(request)) mustBeProved(context, provedAt ?? new Date(0));
    next();
  };
