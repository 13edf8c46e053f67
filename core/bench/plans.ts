// Speed of the core: a plan with its ranges, inference, and the same plan as a spreadsheet would work it out.
import { compile } from 'mathjs';
import { inferSpool, planFill, type FillRequest, type Observation } from '../src/index';
import { medianMs, report } from './report';

const line = (key: string, diameter: number) => ({ key, material: 'nylon', diameter }) as const;
const READINGS: Observation[] = [
  { kind: 'rating', length: 210, diameter: 0.25 },
  { kind: 'rating', length: 148, diameter: 0.3 },
  { kind: 'lip', diameter: 46 },
  { kind: 'width', width: 16.5 },
  { kind: 'arbor', diameter: 26.5 },
  { kind: 'retrieve', perTurn: 0.7, gear: 5.2 },
  ...[0, 1, 2, 3].map((i) => ({
    kind: 'depth' as const,
    layers: [
      { line: line('backing', 0.25), length: 80 + i },
      { line: line('main', 0.26), length: 100 },
    ],
    depth: 2.3 + i / 20,
    by: 'eye' as const,
  })),
];
const REQUEST: FillRequest = {
  layers: [
    { kind: 'line', id: 'backing', role: 'backing', line: line('backing', 0.25), length: 'fits' },
    { kind: 'line', id: 'main', role: 'main', line: line('main', 0.26), length: 120 },
  ],
  gap: 1.5,
  gear: 5.2,
};

const inferred = inferSpool(READINGS.slice(0, 4));
if (!inferred.ok) throw new Error('These readings can be inferred from.');
const estimate = inferred.value;

process.stdout.write('\nThe core, median of 41 rounds\n');
const plan = medianMs(() => planFill(estimate, REQUEST));
report('a plan with its ranges', plan, 'ms', 1);
report('plans with ranges in a second', 1000 / plan, '');
report(
  'inference from four readings',
  medianMs(() => inferSpool(READINGS.slice(0, 4)), 21, 10),
  'ms',
);
report(
  'inference from ten readings',
  medianMs(() => inferSpool(READINGS), 21, 10),
  'ms',
  5,
);

// The same plan without ranges, cell by cell, through a general expression library.
const cells = [
  'Rf = RL - gap',
  'em = pi/4*dm^2/phi',
  'eb = pi/4*db^2/phi',
  'V = pi*W*(Rf^2 - R0^2) - 1000*Lm*em',
  'Lb = V/(1000*eb)',
  'R1 = sqrt(R0^2 + V/(pi*W))',
  'Nb = W*(R1 - R0)/eb/g',
  'Nm = W*(Rf - R1)/em/g',
].map((cell) => compile(cell));
const { lipRadius: RL, width: W, arborRadius: R0, packing: phi } = estimate.spool;
const sheet = medianMs(() => {
  const scope = { RL, W, R0, phi, gap: 1.5, dm: 0.26, db: 0.25, Lm: 120, g: 5.2 };
  for (const cell of cells) cell.evaluate(scope);
});
// Ranges by moving each of seven inputs up and down, as the core does: fourteen more sheets.
report('the same figures through an expression library, once', sheet, 'ms');
report('the same with ranges: fifteen sheets', 15 * sheet, 'ms');

globalThis.gc?.();
const before = process.memoryUsage().heapUsed;
const kept = Array.from({ length: 1000 }, () => planFill(estimate, REQUEST));
globalThis.gc?.();
report('memory a kept plan takes', (process.memoryUsage().heapUsed - before) / kept.length / 1024, 'kB');
