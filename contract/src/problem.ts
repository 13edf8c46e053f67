import * as v from 'valibot';
import { WordsSchema } from './words';

/** Every reason the server has for saying no. */
export const PROBLEM_CODES = [
  'bad-request',
  'not-signed-in',
  'wrong-passcode',
  'passcode-again',
  'code-needed',
  'too-many-tries',
  'not-allowed',
  'not-found',
  'already-exists',
  'stale-version',
  'not-enough-line',
  'plan-does-not-work',
  'out-of-order',
  'already-closed',
  'not-finished',
  'readings-contradict',
  'last-manager',
  'last-bench',
  'in-the-water',
  'device-away',
  'not-set-up',
  'too-much-work',
  'database-away',
  'server-error',
] as const;

export type ProblemCode = (typeof PROBLEM_CODES)[number];

/** An error as RFC 9457 (Problem Details for HTTP APIs) writes it, with a code and the fields it is about. */
export const ProblemSchema = v.object({
  type: v.string(),
  title: v.string(),
  status: v.number(),
  code: v.picklist(PROBLEM_CODES),
  /** What was wrong, and what is allowed, in one sentence. */
  detail: v.string(),
  /** The same where it holds figures, for whoever measures otherwise. */
  words: v.exactOptional(WordsSchema),
  errors: v.exactOptional(
    v.array(v.object({ path: v.string(), message: v.string(), words: v.exactOptional(WordsSchema) })),
  ),
});

export type Problem = v.InferOutput<typeof ProblemSchema>;
