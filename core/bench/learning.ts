// A shop's first year: error of the end gap of a first-time spool of a kind met before, by month and by what is known.
import { learningYear, type Knowing } from '../src/testing/learning-year';

const FILLS = 400;
const started = performance.now();
const { months, learning, bulk } = learningYear(FILLS);
const took = (performance.now() - started) / 1000;
const KNOWING: readonly Knowing[] = ['nothing', 'learned', 'learned and seen'];
process.stdout.write(
  `\nA shop's first year, ${String(FILLS)} fills over 30 kinds and 12 lines: end gap of a first-time spool of a known kind\n` +
    `mm, median / nine in ten, share of gaps inside their range (${took.toFixed(1)} s)\n`,
);
process.stdout.write(`  month${KNOWING.map((knowing) => knowing.padStart(26)).join('')}\n`);
for (const month of [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12]) {
  const cells = KNOWING.map((knowing) => {
    const found = months.find((one) => one.month === month && one.knowing === knowing);
    if (!found) return ''.padStart(26);
    return `${found.median.toFixed(2)} / ${found.ninetieth.toFixed(2)}  ${(100 * found.inside).toFixed(0)} %`.padStart(
      26,
    );
  });
  process.stdout.write(`  ${String(month).padStart(5)}${cells.join('')}\n`);
}
const off = learning.lines.map(({ key, belief }) => Math.abs(Math.log(belief.median / (bulk[key] ?? 1))));
process.stdout.write(
  `  bulk of a line at the end: off by ${(100 * (off.reduce((sum, one) => sum + one, 0) / off.length)).toFixed(1)} % on the average\n`,
);
