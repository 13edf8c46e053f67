import {
  HOUSE_QUESTIONS,
  EXCEPTION_SCOPES,
  MATERIALS,
  type HouseQuestion,
  type Material,
} from '@yard-spool/core';
import * as v from 'valibot';
import { REEL_TYPES, type ReelType } from './bags';
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

/** What a reel's own facts are, to find exceptions for it. */
export interface ExceptionFacts {
  readonly type?: ReelType | undefined;
  /** What its main line is made of. */
  readonly material?: Material | undefined;
  readonly line?: string | undefined;
  readonly customer?: number | undefined;
  readonly reel?: string | undefined;
}

/** A sort of reel as one word: `trolling`, `braid`, `braid trolling`. */
export const sortKey = ({ material, type }: Pick<ExceptionFacts, 'material' | 'type'>): string =>
  [material, type].filter((part) => part !== undefined).join(' ');

/** A sort of reel as people say it. */
export const sortName = ({ material, type }: Pick<ExceptionFacts, 'material' | 'type'>): string => {
  const reels = type === undefined ? '' : `${type.replace('-', ' ')} reels`;
  const line = material?.replace('-', ' ') ?? '';
  return line === '' ? reels : reels === '' ? `${line} as the main line` : `${line} on ${reels}`;
};

/** Those of all exceptions which apply to one reel, as the core takes them. */
export const exceptionsFor = (
  all: readonly Exception[],
  { line: code, customer, reel, material, type }: ExceptionFacts,
) =>
  all
    .filter(
      ({ scope, key }) =>
        key ===
        {
          type,
          material,
          'material-on-type': sortKey({ material, type }),
          line: code,
          customer: customer?.toString(),
          reel,
        }[scope],
    )
    .map(({ scope, question, school }) => ({
      scope,
      question,
      school: school as never,
    })) satisfies readonly { question: HouseQuestion }[];
