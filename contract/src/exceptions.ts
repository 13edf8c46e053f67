import { HOUSE_QUESTIONS, EXCEPTION_SCOPES, type HouseQuestion } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, IdSchema, InstantSchema, line } from './basics';
import { QuestionSchema } from './house-rules';

/** What an exception is set for: a line or a reel by its code, a customer by number. */
const ExceptionTargetSchema = v.variant('scope', [
  v.object({ scope: v.literal('line'), code: CodeSchema }),
  v.object({ scope: v.literal('customer'), id: IdSchema }),
  v.object({ scope: v.literal('reel'), tag: CodeSchema }),
]);

/** A question answered otherwise for one line, customer or reel, with the reason. */
export const NewExceptionSchema = v.pipe(
  v.object({
    target: ExceptionTargetSchema,
    question: QuestionSchema,
    school: v.string(),
    why: line('A reason', 120),
  }),
  v.forward(
    v.check(
      ({ question, school }) => HOUSE_QUESTIONS[question].schools.some(({ id }) => id === school),
      'Choose one of the schools there are.',
    ),
    ['school'],
  ),
);
export type NewException = v.InferOutput<typeof NewExceptionSchema>;

export const ExceptionSchema = v.object({
  id: IdSchema,
  scope: v.picklist(EXCEPTION_SCOPES),
  /** The line's code, the customer's number, or the reel's tag. */
  key: v.string(),
  /** As people say it. */
  name: v.string(),
  question: QuestionSchema,
  school: v.custom<string>((input) => typeof input === 'string'),
  why: v.string(),
  at: InstantSchema,
  by: v.string(),
});
export type Exception = v.InferOutput<typeof ExceptionSchema>;

/** What a reel's own facts are, to find exceptions for it. */
export interface ExceptionFacts {
  readonly line?: string | undefined;
  readonly customer?: number | undefined;
  readonly reel?: string | undefined;
}

/** Those of all exceptions which apply to one reel, as the core takes them. */
export const exceptionsFor = (all: readonly Exception[], { line: code, customer, reel }: ExceptionFacts) =>
  all
    .filter(({ scope, key }) => key === { line: code, customer: customer?.toString(), reel }[scope])
    .map(({ scope, question, school }) => ({
      scope,
      question,
      school: school as never,
    })) satisfies readonly { question: HouseQuestion }[];
