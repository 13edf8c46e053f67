import { HOUSE_QUESTIONS, EXCEPTION_SCOPES, MATERIALS } from '@yard-spool/core';
import * as v from 'valibot';
import { REEL_TYPES } from '@yard-spool/core';
import { CodeSchema, IdSchema, InstantSchema, line } from './basics';
import { QuestionSchema } from './house-rules';

const type = v.picklist(REEL_TYPES, 'Choose the type of reel.');
const material = v.picklist(MATERIALS, 'Choose what the main line is made of.');

/** What an exception is set for: a sort of reel or of main line, a line or a reel by its code, a customer by number. */
const ExceptionTargetSchema = v.variant('scope', [
  v.object({ scope: v.literal('type'), type }),
  v.object({ scope: v.literal('material'), material }),
  v.object({ scope: v.literal('material-on-type'), material, type }),
  v.object({ scope: v.literal('line'), code: CodeSchema }),
  v.object({ scope: v.literal('customer'), id: IdSchema }),
  v.object({ scope: v.literal('reel'), tag: CodeSchema }),
]);

/** A question answered otherwise for a sort of reel, one line, customer or reel, with the reason. */
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
      'Choose one of the options.',
    ),
    ['school'],
  ),
);
export type NewException = v.InferOutput<typeof NewExceptionSchema>;

export const ExceptionSchema = v.object({
  id: IdSchema,
  scope: v.picklist(EXCEPTION_SCOPES),
  /** The sort as `sortKey` has it, the line's code, the customer's number, or the reel's tag. */
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
