import type { Level } from './level';

/** Shares people have words for. */
const WORDS: readonly (readonly [share: number, words: string])[] = [
  [1 / 2, 'half'],
  [1 / 3, 'a third'],
  [2 / 3, 'two thirds'],
  [1 / 4, 'a quarter'],
  [3 / 4, 'three quarters'],
  [5 / 8, 'five eighths'],
];

const wordsFor = (share: number): string =>
  WORDS.find(([one]) => Math.abs(one - share) < 1e-6)?.[1] ?? `${String(Number((100 * share).toFixed(2)))} %`;

/**
 * A share of a pack as it can be typed again.
 *
 * @param held what the pack held, as a length is written; empty where nobody said
 */
export function packText(share: number, held = ''): string {
  if (share === 1) return held === '' ? 'whole pack' : `the ${held} pack`;
  return `${wordsFor(share)} of the ${held === '' ? 'pack' : `${held} pack`}`;
}

/**
 * A level as it can be typed again.
 *
 * @param small writes a depth, mm, in the person's own units
 */
export function levelText(level: Level, small: (millimetres: number) => string): string {
  if ('depth' in level) return `${small(level.depth)} below the lip`;
  const [least, most] = level.share;
  const of = `of the spool${level.of === 'length' ? ' by length' : ''}`;
  return least === most ? `${wordsFor(least)} ${of}` : `${wordsFor(least)} to ${wordsFor(most)} ${of}`;
}
