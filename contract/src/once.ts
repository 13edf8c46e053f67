import * as v from 'valibot';
import type { Route } from './route';

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
 * What makes nothing that would be there twice: who signs in, a preview, a print, a file that is looked at, events, which
 * have numbers of their own, and the calendar's address, which nobody keeps.
 */
const WITHOUT = [
  '/sign-in/first',
  '/sign-in/shop-file',
  '/session',
  '/house-rules/preview',
  '/paper',
  '/runs/:id/events',
  '/people/:id/passcode',
  '/calendar',
].map((path) => new RegExp(`^${path.replaceAll(/:\w+/g, '[^/]+')}$`));

/** Whether a route makes an entry, and is asked with a key; its path as the contract writes it, or as it is asked. */
export const makesOnce = ({ method, path }: Pick<Route, 'method' | 'path'>): boolean =>
  method === 'POST' && !WITHOUT.some((one) => one.test(path));
