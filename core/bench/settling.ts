// How often what truly lies on a reel is in the range a closed fill tells, where readings are off as they seldom are.
import { settleFill } from '../src/settle/settle-fill';
import { ordinaryFills, type FillErrors } from '../src/testing/ordinary-fills';

const FILLS = Number(process.argv[2] ?? 300);
const SEED = 77;
const WORLDS: Readonly<Record<string, Partial<FillErrors>>> = {
  'as believed': {},
  'lip misread by 1 mm': { lip: 1 },
  'lip misread by 2 mm': { lip: 2 },
  'gauge 0.3 mm deep': { depths: 0.3 },
  'join misread by 2.5 mm': { join: 2.5 },
  'join misread by -2.5 mm': { join: -2.5 },
  'hand count 5 turns over': { handTurns: 5 },
  'hand count 5 turns under': { handTurns: -5 },
  'device counts a fifth over': { device: Math.log(1.2) },
  'barrel 4 mm wider where read': { taper: 4 },
  'braid lies flat, 0.8': { bulk: 0.8 },
  'prints 15 % over': { prints: Math.log(1.15) },
};

process.stdout.write(
  `\nTrue lengths inside the 10 to 90 % range of a closed fill, ${String(FILLS)} fills a world; 75 to 90 % wanted, or asked\n`,
);
const heads = ['backing', 'main', 'asked', 'inside or asked', 'width backing', 'width main', 'worst ms'];
process.stdout.write(`  ${''.padEnd(30)}${heads.map((head) => head.padStart(17)).join('')}\n`);
for (const [name, errors] of Object.entries(WORLDS)) {
  const cell = (): { inside: number; readonly widths: number[] } => ({ inside: 0, widths: [] });
  const backing = cell();
  const main = cell();
  let told = 0;
  let asked = 0;
  let either = 0;
  let worst = 0;
  const fills = ordinaryFills(SEED, errors);
  for (let made = 0; made < FILLS; made += 1) {
    const { evidence, truth } = fills.next().value;
    const begun = performance.now();
    const settled = settleFill(evidence);
    worst = Math.max(worst, performance.now() - begun);
    if (!settled.ok) continue;
    told += 1;
    if (settled.value.question) asked += 1;
    for (const [i, of] of [backing, main].entries()) {
      const truly = truth[i] ?? NaN;
      const length = settled.value.layers[i]?.length;
      if (!length) continue;
      const isIn = truly >= length.low && truly <= length.high;
      if (isIn) of.inside += 1;
      if (isIn || settled.value.question) either += 0.5;
      of.widths.push((length.high - length.low) / truly);
    }
  }
  const share = (count: number): string => `${((100 * count) / told).toFixed(0)} %`;
  const middle = (all: number[]): string =>
    `${(100 * (all.sort((a, b) => a - b)[all.length >> 1] ?? 0)).toFixed(1)} %`;
  const cells = [
    share(backing.inside),
    share(main.inside),
    share(asked),
    share(either),
    middle(backing.widths),
    middle(main.widths),
    worst.toFixed(0),
  ];
  process.stdout.write(`  ${name.padEnd(30)}${cells.map((cell) => cell.padStart(17)).join('')}\n`);
}
