import type { Words } from '../words/message';

/** One school on a disputed question, and why good technicians hold it. */
export interface School<Id extends string = string> {
  readonly id: Id;
  readonly name: Words;
  readonly why: string;
}

/** A question good technicians answer differently. */
export interface Question<Id extends string = string> {
  readonly ask: string;
  /** Why people who know their work answer it differently. */
  readonly differ: string;
  readonly schools: readonly School<Id>[];
  /** What a new shop starts with. */
  readonly usual: Id;
}

/** A question whose usual answer is one of its own schools; the compiler holds it to that. */
export const question = <const Id extends string>(
  ask: string,
  differ: string,
  usual: NoInfer<Id>,
  schools: readonly School<Id>[],
): Question<Id> => ({ ask, differ, usual, schools });
