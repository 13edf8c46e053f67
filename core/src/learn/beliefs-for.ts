import { REEL_TRAITS, type ReelType } from '../lines/reel-type';
import type { Beliefs } from '../spool/beliefs';
import type { Belief } from '../spool/priors';
import type { LearnedCounters } from './learn-counters';
import type { Learned, ShopLearning } from './learn-shop';

/** A reel and its lines, as learning names them. */
export interface LearnedOf {
  readonly type: ReelType;
  /** Key of its kind. */
  readonly kind: string;
  /** Keys of the lines it is planned with. */
  readonly lines: readonly string[];
  /** Its tag, where it has one. */
  readonly tag?: string;
}

/** What to believe of a reel before it is looked at: its type, and what the shop has learned that bears on it. */
export function beliefsFor(
  learning: Pick<ShopLearning, 'kinds' | 'lines' | 'prints'> & { readonly counters?: LearnedCounters },
  { type, kind, lines, tag = '' }: LearnedOf,
): Beliefs {
  const packing = learning.kinds.find(({ key }) => key === kind)?.belief;
  const bulk = recordOf(learning.lines.filter(({ key }) => lines.includes(key)));
  const prints = recordOf(learning.prints);
  const counter = REEL_TRAITS[type].counter ? counterFor(learning.counters, tag, kind) : undefined;
  return {
    type,
    ...(packing ? { packing } : {}),
    ...(bulk ? { bulk } : {}),
    ...(prints ? { prints } : {}),
    ...(counter ? { counter } : {}),
  };
}

/** This reel's own counter, else its kind's. */
const counterFor = (counters: LearnedCounters | undefined, tag: string, kind: string) =>
  (
    counters?.reels.find(({ key }) => key === tag.trim().toUpperCase()) ??
    counters?.kinds.find(({ key }) => key === kind)
  )?.counter;

const recordOf = (learned: readonly Learned[]): Record<string, Belief> | null =>
  learned.length > 0 ? Object.fromEntries(learned.map(({ key, belief }) => [key, belief])) : null;

/** Key of a kind of reel: its type and name, however the name is written. */
export const kindKey = ({ type, label }: { readonly type: ReelType; readonly label: string }): string =>
  `${type} ${label.trim().toLowerCase()}`;

/** Key of who wound it under which tension school. */
export const handKey = (person: string, tension: string): string => `${person}, ${tension}`;
