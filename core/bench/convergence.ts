// Whether inference ends at the minimum: readings of all types, shallow to deep, some mistyped or contradictory.
import { inferSpool, priorsFor } from '../src/index';
import { typedReadings } from '../src/testing/random-readings';
import { report } from './report';

const SETS = 5000;
const readings = typedReadings(99);
let unsettled = 0;
let refused = 0;
const times: number[] = [];
for (let i = 0; i < SETS; i += 1) {
  const { type, observations } = readings.next().value;
  const started = performance.now();
  const result = inferSpool(observations, priorsFor(type));
  times.push(performance.now() - started);
  if (result.ok) continue;
  if (result.issues.some(({ code }) => code === 'does-not-settle')) unsettled += 1;
  else refused += 1;
}
times.sort((a, b) => a - b);
process.stdout.write(
  `\nInference of ${String(SETS)} sets of readings, shallow to deep, mistyped or contradictory\n`,
);
report('convergence failures', unsettled, '', 0);
report('refused as typed, each with a sentence', refused, '');
report('inference, nine in ten', times[Math.floor(0.9 * times.length)] ?? NaN, 'ms');
