import type { Problem, ProblemCode } from '@yard-spool/contract';
import { tellMetric, type Words } from '@yard-spool/core';

const STATUS: Readonly<Record<ProblemCode, readonly [status: number, title: string]>> = {
  'bad-request': [400, 'Something in it is not right'],
  'not-signed-in': [401, 'Sign in first'],
  'wrong-passcode': [401, 'Name and passcode do not match'],
  'passcode-again': [403, 'Type your passcode again'],
  'code-needed': [401, 'A code is needed'],
  'too-many-tries': [429, 'Too many tries'],
  'not-allowed': [403, 'Not allowed'],
  'not-found': [404, 'Not found'],
  'already-exists': [409, 'Already there'],
  'stale-version': [409, 'Somebody changed it meanwhile'],
  'not-enough-line': [409, 'Not enough line on the piece'],
  'plan-does-not-work': [422, 'The plan does not work'],
  'out-of-order': [409, 'The log went on elsewhere'],
  'already-closed': [409, 'Already closed'],
  'not-finished': [409, 'Not finished'],
  'readings-contradict': [409, 'Readings contradict each other'],
  'last-manager': [409, 'The last manager stays'],
  'last-bench': [409, 'The last bench stays'],
  'in-the-water': [409, 'It is in the water, or wet'],
  'not-set-up': [409, 'Not set up yet'],
  'device-away': [503, 'The device does not answer'],
  'too-much-work': [503, 'Too much at once'],
  'database-away': [503, 'The database does not answer'],
  'server-error': [500, 'The server failed'],
};

/** What is wrong with one field. */
export interface FieldError {
  readonly path: string;
  readonly message: Words;
}

/** What holds figures is told beside its metric text, for whoever measures otherwise. */
const wordsOf = (words: Words): { words?: Words } => (typeof words === 'string' ? {} : { words });

/** The one error family of the server: a reason with a code, told to the client as problem+json. */
export class ProblemError extends Error {
  constructor(
    readonly code: ProblemCode,
    readonly words: Words,
    readonly errors?: readonly FieldError[],
  ) {
    super(tellMetric(words));
    this.name = 'ProblemError';
  }

  /** The body a client gets. */
  toProblem(): Problem {
    const [status, title] = STATUS[this.code];
    return {
      type: `urn:yard-spool:${this.code}`,
      title,
      status,
      code: this.code,
      detail: this.message,
      ...wordsOf(this.words),
      ...(this.errors
        ? {
            errors: this.errors.map(({ path, message }) => ({
              path,
              message: tellMetric(message),
              ...wordsOf(message),
            })),
          }
        : {}),
    };
  }
}
