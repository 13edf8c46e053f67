// How near the gap the bench ends: 500 simulated shop visits, by depths read in a fill and by visit, side by side.
import { simulateVisits } from '../src/testing/shop-visits';

const VISITS = 500;
const started = performance.now();
const errors = simulateVisits(VISITS);
const took = performance.now() - started;
const cell = (depthsRead: number, visit: number): string => {
  const found = errors.find((error) => error.depthsRead === depthsRead && error.visit === visit);
  return found ? `${found.median.toFixed(2)} / ${found.ninetieth.toFixed(2)}`.padStart(15) : ''.padStart(15);
};

process.stdout.write(
  `\nError of the end gap in mm, median / nine in ten, ${String(VISITS)} simulated reels (${(took / 1000).toFixed(1)} s)\n`,
);
process.stdout.write(`  ${'depths read in a fill'.padEnd(26)}   first visit   second visit    third visit\n`);
for (const reads of [0, 1, 2])
  process.stdout.write(`  ${String(reads).padEnd(24)}${cell(reads, 1)}${cell(reads, 2)}${cell(reads, 3)}\n`);
