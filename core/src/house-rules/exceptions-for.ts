import type { Material } from '../lines/line';
import type { ReelType } from '../lines/reel-type';
import type { ExceptionScope } from './effective-rules';
import type { HouseQuestion } from './house-rules';

/** An exception as it is kept: its option is one of its question's. */
export interface SavedException {
  readonly scope: ExceptionScope;
  /** The sort as `sortKey` has it, the line's code, the customer's number, or the reel's tag. */
  readonly key: string;
  readonly question: HouseQuestion;
  readonly school: string;
}

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
  all: readonly SavedException[],
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
