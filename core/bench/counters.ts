// How many walks it takes until a counter agrees with the tape: the fit, eight feet to the foot, and halving guesses.
import {
  byEight,
  byFit,
  byHalving,
  scoreWalks,
  type CounterWorld,
  type WalkMethod,
} from '../src/testing/counter-shop';

const FT = 0.3048;
const REELS = { reels: 300, seed: 20_310 };
const FEET = { unit: 'ft', step: 1 } as const;
const METHODS: readonly (readonly [string, () => WalkMethod])[] = [
  ['fit', () => byFit],
  ['eight to one', () => byEight],
  ['halving guesses', byHalving],
];
const WORLDS: readonly (readonly [string, CounterWorld])[] = [
  ['100 ft', { match: 100 * FT, face: FEET }],
  ['100 ft, kind met before', { match: 100 * FT, face: FEET, known: true }],
  ['30 m', { match: 30, face: { unit: 'm', step: 0.1 } }],
  ['30 m, whole metres', { match: 30, face: { unit: 'm', step: 1 } }],
  ['30 yd, whole yards', { match: 30 * 0.9144, face: { unit: 'yd', step: 1 } }],
  ['100 ft, first mark wrong', { match: 100 * FT, face: FEET, firstWrong: true }],
  ['200 ft', { match: 200 * FT, face: FEET }],
  ['100 ft, one mark in ten wrong', { match: 100 * FT, face: FEET, wrongMarks: 0.1 }],
];

process.stdout.write(
  `\nWalks until a counter is left as it is, ${String(REELS.reels)} reels: median / nine in ten / most, and truly within 1 ft to 100\n`,
);
process.stdout.write(`  ${''.padEnd(32)}${METHODS.map(([name]) => name.padStart(28)).join('')}\n`);
for (const [name, world] of WORLDS) {
  const cells = METHODS.map(([, method]) => {
    const { median, ninetieth, most, within } = scoreWalks(world, method, REELS);
    return `${String(median)} / ${String(ninetieth)} / ${String(most)}   ${(100 * within).toFixed(0)} %`.padStart(
      28,
    );
  });
  process.stdout.write(`  ${name.padEnd(32)}${cells.join('')}\n`);
}
