import * as v from 'valibot';
import { isOneOf } from './route';

/**
 * The header by which the server knows that it was asked the same before: a double click, or a request that was sent again
 * because its answer did not come. The field is the one of the IETF draft "The Idempotency-Key HTTP Header Field".
 */
export const ONCE_HEADER = 'idempotency-key';

export const OnceKeySchema = v.pipe(
  v.string(),
  v.regex(/^[\w-]{16,64}$/, 'A key is 16 to 64 letters, figures, dashes and underscores.'),
);

/**
 * What makes nothing that would be there twice: who signs in, a preview, a question, a print, a file that is looked at,
 * events, which have numbers of their own, a proof, and secrets, which nobody keeps: the calendar's address, a second step.
 */
const makesNothingTwice = isOneOf([
  ['POST', '/sign-in/first'],
  ['POST', '/sign-in/shop-file'],
  ['POST', '/session'],
  ['POST', '/session/again'],
  ['POST', '/house-rules/preview'],
  ['POST', '/day/promise'],
  ['POST', '/day/try'],
  ['POST', '/cuts/try'],
  ['POST', '/paper'],
  ['POST', '/runs/:id/events'],
  ['POST', '/people/:id/passcode'],
  ['POST', '/people/:id/second-step'],
  ['POST', '/calendar'],
]);

/** Whether a route makes an entry, and is asked with a key; its path as the contract writes it, or as it is asked. */
export const makesOnce = (asked: { readonly method: string; readonly path: string }): boolean =>
  asked.method === 'POST' && !makesNothingTwice(asked);
