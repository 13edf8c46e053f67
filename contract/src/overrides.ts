import { HOUSE_QUESTIONS, OVERRIDE_SCOPES, type HouseQuestion } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, IdSchema, InstantSchema, line } from './basics';
import { QuestionSchema } from './house-rules';

/** What a rule is set otherwise for: a line or a reel by its code, a customer by number. */
const OverrideTargetSchema = v.variant('scope', [
  v.object({ scope: v.literal('line'), code: CodeSchema }),
  v.object({ scope: v.literal('customer'), id: IdSchema }),
  v.object({ scope: v.literal('reel'), tag: CodeSchema }),
]);

/** A question answered otherwise for one line, customer or reel, with the reason. */
export const NewOverrideSchema = v.pipe(
  v.object({
    target: OverrideTargetSchema,
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
export type NewOverride = v.InferOutput<typeof NewOverrideSchema>;

export const OverrideSchema = v.object({
  id: IdSchema,
  scope: v.picklist(OVERRIDE_SCOPES),
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
export type Override = v.InferOutput<typeof OverrideSchema>;

/** What a reel's own facts are, to find what was set otherwise for it. */
export interface OverrideFacts {
  readonly line?: string | undefined;
  readonly customer?: number | undefined;
  readonly reel?: string | undefined;
}

/** Those of all that were set otherwise which apply to one reel, as the core takes them. */
export const overridesFor = (all: readonly Override[], { line: code, customer, reel }: OverrideFacts) =>
  all
    .filter(({ scope, key }) => key === { line: code, customer: customer?.toString(), reel }[scope])
    .map(({ scope, question, school }) => ({
      scope,
      question,
      school: school as never,
    })) satisfies readonly { question: HouseQuestion }[];
