import type { Material } from '../lines/line';
import type { ReelType } from '../lines/reel-type';
import type { AnswerOf, LookKey } from './looks';
import type { Symptom } from './symptoms';

/** Whose matter it is. Said in words that can be read aloud, never as blame. */
export type Whose = 'our-winding' | 'our-choice' | 'the-line' | 'the-reel' | 'how-it-is-fished';

/** Chance of each answer to each look where the cause is there. An answer left out is very rare. */
export type LooksOfCause = {
  readonly [K in LookKey]?: Readonly<Partial<Record<AnswerOf<K>, number>>>;
};

/** What is known of a reel before anybody looks: what can be wrong with it at all. */
export interface FaultReel {
  readonly type: ReelType;
  /** Of the line on top; null where nobody knows it. */
  readonly material: Material | null;
  /** Whether another line lies below it; null where nobody knows. */
  readonly backing: boolean | null;
}

/** One cause: how often it is there, what it shows, what speaks for it. All of it common practice, no source. */
export interface Cause {
  readonly name: string;
  readonly whose: Whose;
  /** How often it comes back for this, in a hundred comebacks of such a reel, before anything was said. */
  readonly rate: (reel: FaultReel) => number;
  /** Chance that it shows so. */
  readonly explains: Readonly<Partial<Record<Symptom, number>>>;
  readonly looks: LooksOfCause;
}
