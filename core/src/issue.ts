import type { Words } from './words/message';

/**
 * Something a person typed or asked for that cannot be, or should not be. The core returns issues and never
 * throws for them; exceptions are kept for programming errors.
 */
export interface Issue<Code extends string = string> {
  readonly code: Code;
  /** An error stops the plan; a caution is shown and the work may go on. */
  readonly severity: 'error' | 'caution';
  /** One plain sentence: what is wrong and what would be right. */
  readonly sentence: Words;
  /** The field, layer or observation it belongs to, where there is one. */
  readonly at?: string;
  /** What it comes to, in the core's units. */
  readonly values?: Readonly<Record<string, number>>;
}

/** An issue that holds no figure but what was typed. */
export interface PlainIssue<Code extends string = string> extends Issue<Code> {
  readonly sentence: string;
}

/** A value, or the reasons there is none. */
export type Result<T, I extends Issue = Issue> =
  | { readonly ok: true; readonly value: T; readonly issues: readonly I[] }
  | { readonly ok: false; readonly issues: readonly I[] };

/** A result that has a value, with any cautions that go with it. */
export const succeed = <T, I extends Issue = Issue>(value: T, issues: readonly I[] = []): Result<T, I> => ({
  ok: true,
  value,
  issues,
});

/** A result that has none. */
export const fail = <I extends Issue>(
  ...issues: I[]
): { readonly ok: false; readonly issues: readonly I[] } => ({
  ok: false,
  issues,
});
