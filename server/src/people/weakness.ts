import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary as common } from '@zxcvbn-ts/language-common';
import { dictionary as english } from '@zxcvbn-ts/language-en';

/**
 * Tries a passcode has to outlast. Wrong tries are limited to some thousands a day for one person (see tries.ts): half a
 * million take months, and are seen. From memory of that guide's scale: its second step of five begins near there.
 */
const OUTLASTS = 500_000;

/** Words of the trade, which whoever guesses here would try. */
const TRADE =
  'spool spooling reel reels line backing tackle fishing braid nylon bobbin yard spindle drag lure trolling angler'.split(
    ' ',
  );

let checker: ZxcvbnFactory | null = null;
const strength = (): ZxcvbnFactory =>
  (checker ??= new ZxcvbnFactory({ dictionary: { ...common, ...english }, graphs: adjacencyGraphs }));

/**
 * Why a passcode would be guessed soon, in a sentence; null where it would not. Reads long lists of words: for a worker.
 *
 * @param about names somebody would try for this person: theirs, the shop's
 */
export function weaknessOf({
  passcode,
  about,
}: {
  readonly passcode: string;
  readonly about: readonly string[];
}): string | null {
  const known = [...about.flatMap((name) => [name, ...name.split(/\s+/)]), ...TRADE];
  const { guesses, sequence } = strength().check(passcode, known);
  if (guesses >= OUTLASTS) return null;
  // What it is longest is what it is.
  const [part] = [...sequence].sort((a, b) => b.token.length - a.token.length);
  return `${reason(part?.pattern ?? '', String(part?.dictionaryName ?? ''))} Choose another: two or three words with something between are strong.`;
}

function reason(pattern: string, list: string): string {
  if (list === 'userInputs') return 'This passcode is a name or a word of this shop with little added.';
  if (list.startsWith('passwords')) return 'This passcode is one of the first anybody would try.';
  if (pattern === 'dictionary') return 'This passcode is a common word or name with little added.';
  if (pattern === 'date' || pattern === 'regex') return 'This passcode is a date or a year.';
  if (['sequence', 'repeat', 'spatial'].includes(pattern)) return 'This passcode is a run of signs or keys.';
  return 'This passcode is too short for what it is made of.';
}
