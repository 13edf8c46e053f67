import type { Learning } from '@yard-spool/contract';
import { handKey, type HouseRules } from '@yard-spool/core';

/** How many fills something learned rests on. */
export const learnedWords = ({ fills }: Learning['kinds'][number]): string =>
  fills === 1 ? '1 fill' : `${String(fills)} fills`;

/** A share as people say it. */
export const percent = (share: number): string => `${(100 * share).toFixed(0)} %`;

const TENSION_WORDS: Readonly<Record<HouseRules['tension'], string>> = {
  light: 'wound light',
  medium: 'wound as when fishing',
  tight: 'wound as tight as can be',
};
const TENSIONS = Object.keys(TENSION_WORDS) as readonly HouseRules['tension'][];

/** What closed fills have taught of how tight somebody winds, against the shop's usual; one sentence each school. */
export const handWords = (learning: Learning | undefined, person: string): readonly string[] =>
  TENSIONS.flatMap((tension) => {
    const found = learning?.hands.find(({ key }) => key === handKey(person, tension));
    if (!found) return [];
    const { median, sd } = found.belief;
    const off = Math.abs(median - 1);
    // Closer to the usual than half of what is not known of it is no difference.
    const how = off < sd / 2 ? 'as dense as' : `${percent(off)} ${median > 1 ? 'denser' : 'looser'} than`;
    return [
      `Line ${TENSION_WORDS[tension]} lies ${how} the shop’s usual, give or take ${percent(sd)}; learned from ${learnedWords(found)}.`,
    ];
  });
