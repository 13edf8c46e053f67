// How fast a shop of 100,000 fills answers: search, reel, customer, due. Asked over HTTP, one after another, on the real
// database; the figures are of the whole answer. "--fills N" for another size.
import { parseArgs } from 'node:util';
import { Dice } from '../fuzz/dice';
import { TestShop } from '../testing/test-shop';
import { writeShop } from './write-shop';

const LIMIT_MS = 50;
const EACH = 400;
const { values } = parseArgs({ options: { fills: { type: 'string', default: '100000' } } });
const fills = Number(values.fills);
const much = {
  fills,
  reels: Math.ceil(fills / 4),
  customers: Math.ceil(fills / 12),
  bags: Math.ceil(fills / 2),
  products: 60,
  pieces: Math.ceil(fills / 30),
  lots: Math.ceil(fills / 200),
  years: 15,
};

const shop = await TestShop.open();
const began = performance.now();
await writeShop(shop, much, new Date());
const took = ((performance.now() - began) / 1000).toFixed(0);
process.stdout.write(
  `\nA shop of ${String(fills)} fills, ${String(much.reels)} reels (written in ${took} s)\n`,
);

const ask = await shop.as('Ada');
const dice = new Dice(7);
const some = (most: number): number => dice.whole(1, most);
const tag = (): string => `R-${String(some(much.reels)).padStart(5, '0')}`;
const QUESTIONS: readonly (() => string)[] = [
  tag,
  () => `Orla ${String(some(much.customers))}`,
  () => 'who has the 0.19 moss braid?',
  () => `which reels got lot L${String(some(much.lots))}?`,
  () => 'skerrywind 3000 penhale',
  () => dice.of(['loops', 'loose handle', 'green door', 'calls evenings', 'twist cold salt']),
  () => dice.of(['12 Mar 2024', '2025-06-01', '3.9.2022']),
  () => `bag ${String(some(much.bags))}`,
  () => `N-${String(some(much.pieces))}`,
  () => dice.of(['braid', 's', 'or', 'nothing like it', 'nylon 0.30 smoke']),
];
const ASKED: Readonly<Record<string, (i: number) => string>> = {
  search: (i) => `/search?q=${encodeURIComponent(QUESTIONS[i % QUESTIONS.length]?.() ?? '')}`,
  'reel page': () => `/reels/${tag()}`,
  'customer page': () => `/customers/${String(some(much.customers))}`,
  'due list': (i) => `/due?by=${new Date(Date.now() + (i % 90) * 86_400_000).toISOString()}`,
  'reels that got a line, lot or piece': (i) =>
    [
      `/got?line=L-${String(some(60))}`,
      `/got?lot=L${String(some(much.lots))}`,
      `/got?piece=N-${String(some(much.pieces))}`,
    ][i % 3] ?? '',
};

let slow = 0;
for (const [what, path] of Object.entries(ASKED)) {
  const times: number[] = [];
  for (let i = -40; i < EACH; i += 1) {
    const asked = path(i + 40);
    const begin = performance.now();
    const { status } = await ask('GET', asked);
    if (status !== 200) throw new Error(`${asked} answered ${String(status)}.`);
    if (i >= 0) times.push(performance.now() - begin);
  }
  times.sort((a, b) => a - b);
  const at = (share: number): number => times[Math.floor(share * (times.length - 1))] ?? NaN;
  const kept = at(0.99) <= LIMIT_MS;
  if (!kept) slow += 1;
  process.stdout.write(
    `  ${what.padEnd(38)} half ${at(0.5).toFixed(1).padStart(6)} ms, 99 of 100 ${at(0.99).toFixed(1).padStart(6)} ms   limit ${String(LIMIT_MS)} ms   ${kept ? 'kept' : 'NOT KEPT'}\n`,
  );
}
await shop.close();
process.exitCode = slow === 0 ? 0 : 1;
