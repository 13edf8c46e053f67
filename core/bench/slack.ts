// What a slack metre's verdict is worth: how often it commits itself, and how often that is wrong, in shops unlike the believed one.
import { BELIEVED, slackTold, type SlackWorld } from '../src/testing/slack-worlds';

const LOOKS = 4000;
const WORLDS: readonly (readonly [string, Partial<SlackWorld>])[] = [
  ['as believed', {}],
  ['three in ten seen wrong', { seenWrong: 0.3 }],
  ['a quarter of the drags slip', { slips: 0.25 }],
  ['15 in 100 supplies drag', { drags: 0.15 }],
  ['a third of the line is limp', { limp: 0.35 }],
  ['mostly braid', { braid: 0.6 }],
];

const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;

process.stdout.write(
  `\nSlack metres, ${String(LOOKS)} looks: told, wrong of those, and the commonest way to be wrong\n`,
);
for (const [name, more] of WORLDS) {
  const { told, wrong, wrongAs } = slackTold({ ...BELIEVED, ...more }, LOOKS, 7);
  const [most] = Object.entries(wrongAs).sort(([, a], [, b]) => b - a);
  const commonest = most ? `${most[0]}, ${String(most[1])} times` : 'none';
  process.stdout.write(
    `  ${name.padEnd(30)}${percent(told / LOOKS).padStart(8)}${percent(wrong / told).padStart(8)}   ${commonest}\n`,
  );
}
