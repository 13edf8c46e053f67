import { isOneOf } from './route';

/** How long after somebody typed their passcode a manager's acts are done without asking for it again, minutes. */
export const PROOF_MINUTES = 10;

/**
 * What a manager does only soon after typing their passcode: who works here and how they sign in, the rules, exceptions and
 * benches everybody works by, and taking the whole shop along. An unattended screen is no manager.
 */
export const asksAgain = isOneOf([
  ['POST', '/people'],
  ['PUT', '/people/:id'],
  ['POST', '/people/:id/passcode'],
  ['POST', '/people/:id/second-step'],
  ['DELETE', '/people/:id/second-step'],
  ['PUT', '/house-rules'],
  ['PUT', '/unread'],
  ['PUT', '/exceptions'],
  ['DELETE', '/exceptions/:id'],
  ['POST', '/benches'],
  ['PUT', '/benches/:id'],
  ['DELETE', '/benches/:id'],
  ['POST', '/calendar'],
  ['DELETE', '/calendar'],
  ['GET', '/shop-file'],
]);
