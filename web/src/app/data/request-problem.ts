import type { ProblemCode } from '@yard-spool/contract';

/** Why a call failed, in words for the person at the screen. */
export class RequestProblem extends Error {
  constructor(
    readonly code: ProblemCode | 'server-away',
    readonly sentence: string,
    readonly fields: readonly { readonly path: string; readonly message: string }[] = [],
  ) {
    super(sentence);
    this.name = 'RequestProblem';
  }

  /** Whether it only means that nobody can answer now. */
  get away(): boolean {
    return this.code === 'server-away' || this.code === 'database-away';
  }
}

/** Any thrown thing as a sentence. */
export const sentenceOf = (error: unknown): string =>
  error instanceof RequestProblem
    ? error.sentence
    : 'Something went wrong. What you typed is still here; try again.';
