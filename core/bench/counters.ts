// How many walks it takes until a counter agrees with the tape: the fit, eight feet to the foot, and halving guesses.
import { counterTable } from '../src/counter/counter-table';
import { metresPer } from '../src/counter/counter-unit';
import {
  byEight,
  byFit,
  byHalving,
  fitted,
  scoreWalks,
  walkedShops,
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
  ['30 yd, whole yards', { match: 30 * metresPer('yd'), face: { unit: 'yd', step: 1 } }],
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

/** How often the table's range holds what the counter really shows, and half its width, by length. */
function tableHolds(world: CounterWorld): Map<number, { inside: number; seen: number; width: number }> {
  const rows = new Map<number, { inside: number; seen: number; width: number }>();
  const { unit } = world.face;
  for (const shop of walkedShops(world, () => byFit, REELS)) {
    for (const { length, reading } of counterTable(fitted(shop), world.match, unit)) {
      const shown = shop.shows(length * metresPer(unit));
      const row = rows.get(length) ?? { inside: 0, seen: 0, width: 0 };
      row.seen += 1;
      row.width += (reading.high - reading.low) / 2;
      if (shown >= reading.low && shown <= reading.high) row.inside += 1;
      rows.set(length, row);
    }
  }
  return rows;
}

process.stdout.write(
  '\nTable of a matched counter: its range holds what it shows, and reaches so far to each side\n',
);
for (const [name, world] of WORLDS) {
  const cells = [...tableHolds(world)].map(
    ([length, { inside, seen, width }]) =>
      `${length.toFixed(0)}: ${((100 * inside) / seen).toFixed(0)} % ± ${(width / seen).toFixed(1)}`,
  );
  process.stdout.write(`  ${name.padEnd(32)}${cells.join('   ')}\n`);
}
