// How often the truth lies in the range that was told, in worlds that are not the beliefs' own: 80 % is the aim.
import { coverageOf, STAGES, WORLDS } from '../src/testing/worlds';

const REELS = 400;
process.stdout.write(
  `\nTrue values inside their 10 to 90 % range, ${String(REELS)} reels a world; 75 to 90 % wanted\n`,
);
process.stdout.write(`  ${''.padEnd(34)}${STAGES.map((stage) => stage.padStart(24)).join('')}\n`);
let missed = 0;
for (const world of WORLDS) {
  const coverage = coverageOf(world, REELS);
  const cells = STAGES.map((stage) => {
    const { inside, of } = coverage[stage];
    const share = (100 * inside) / of;
    if (share < 75 || share > 90) missed += 1;
    return `${share.toFixed(1)} %`.padStart(24);
  });
  process.stdout.write(`  ${world.name.padEnd(34)}${cells.join('')}\n`);
}
process.stdout.write(`  outside 75 to 90 %: ${String(missed)} of ${String(WORLDS.length * STAGES.length)}\n`);
