// How often the first named cause is right, and what it takes in questions and minutes, on comebacks unlike the table.
import {
  askAbout,
  FAULT_WORLD,
  simulateComebacks,
  type FaultWorld,
  type WayOfAsking,
} from '../src/testing/fault-worlds';

const COMEBACKS = 2000;
const WORLDS: readonly (readonly [string, Partial<FaultWorld>])[] = [
  ['rates as authored', { rates: 0 }],
  ['rates unlike them', {}],
  ['rates and chances unlike them', { chances: 0.5 }],
  ['looks wrong one time in five', { wrong: 0.2 }],
  ['nothing on record', { onRecord: 0 }],
];
const WAYS: readonly WayOfAsking[] = ['best next', 'fixed order', 'record alone'];
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

process.stdout.write(`\nWhat is wrong with it, ${String(COMEBACKS)} comebacks: right, questions, minutes\n`);
for (const [i, [name, more]] of WORLDS.entries()) {
  const comebacks = simulateComebacks(COMEBACKS, { ...FAULT_WORLD, ...more }, 37);
  for (const way of WAYS.slice(0, i < 3 ? 3 : 1)) {
    const asked = comebacks.map((one) => ({ ...askAbout(one, way), ...one }));
    const mean = (of: (one: (typeof asked)[number]) => number): number =>
      asked.reduce((sum, one) => sum + of(one), 0) / asked.length;
    const right = mean(({ first, causes }) => Number(first !== undefined && causes.includes(first)));
    const called = [0.5, 0.6, 0.7, 0.8, 0.9].map((about) => {
      const within = asked.filter(({ called }) => Math.abs(called - about) < 0.05);
      const so = within.filter(({ first, behind }) => first === behind).length;
      return `${percent(so / within.length)} of ${String(within.length)}`;
    });
    process.stdout.write(
      `  ${name.padEnd(32)}${way.padEnd(14)}${percent(right).padStart(8)}${mean((one) => one.questions)
        .toFixed(2)
        .padStart(7)}${mean((one) => one.minutes)
        .toFixed(2)
        .padStart(7)} min   called 50, 60, 70, 80, 90 %: ${called.join(', ')}\n`,
    );
  }
}
