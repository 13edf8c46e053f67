// Everything that is asked of a shop of many years, and two people at once who book and close in it: how long it takes,
// what the database is asked and reads for it, how much is answered, and how long the server stands still for it.
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { parseArgs } from 'node:util';
import { questions, shownOf } from './asked';
import { atOnce, atWork, type Took } from './at-work';
import { keptShop } from './kept-shop';

const { values } = parseArgs({
  options: {
    fills: { type: 'string', default: '100000' },
    waiting: { type: 'string', default: '60' },
    seconds: { type: 'string', default: '60' },
  },
});
const EACH = 40;
/** What is slow is not asked as often, ms. */
const ENOUGH_MS = 5000;
/** Limits of one question: ms at the 99th of 100, queries, rows read for each row shown and besides, ms standing still. */
const MOST = { ms: 50, queries: 12, rowsEach: 20, rowsBesides: 100, standing: 50 };
const fills = Number(values.fills);

const began = performance.now();
const shop = await keptShop(fills);
// As whoever asks a shop: nobody waits for what follows from an answer.
shop.patient = false;
const say = (text: string): void => void process.stdout.write(`${text}\n`);
say(`\nA shop of ${String(fills)} fills, there after ${((performance.now() - began) / 1000).toFixed(0)} s`);

const standing = monitorEventLoopDelay({ resolution: 5 });
standing.enable();
const at = (times: number[], share: number): number =>
  times.toSorted((a, b) => a - b)[Math.floor(share * (times.length - 1))] ?? NaN;
let over = 0;
/** A figure, marked where it is over its limit. */
const figure = (value: number, most: number, digits = 0): string => {
  if (value > most) over += 1;
  return `${value.toFixed(digits)}${value > most ? '!' : ' '}`.padStart(9);
};

const work = await atWork(shop, Number(values.waiting));
const ask = await shop.as('Ada');
const count = await shop.rowsRead();
say(
  `${'asked'.padEnd(34)}     half   99/100  queries     rows    shown       kB standing   (! over its limit)`,
);
for (const { path, address } of questions()) {
  const times: number[] = [];
  let answer = await ask<unknown>('GET', address);
  if (answer.status >= 500) throw new Error(`${address} answered ${String(answer.status)}.`);
  const before = shop.asked.queries;
  const rows = await count(async () => (answer = await ask<unknown>('GET', address)));
  const asked = shop.asked.queries - before - 2 * (shop.context.sequelize.config.pool?.max ?? 1) * 2;
  standing.reset();
  for (let i = 0; i < EACH && times.reduce((sum, ms) => sum + ms, 0) < ENOUGH_MS; i += 1) {
    const begin = performance.now();
    await ask('GET', address);
    times.push(performance.now() - begin);
  }
  const shown = shownOf(answer.body);
  say(
    `${path.padEnd(32)} ${at(times, 0.5).toFixed(1).padStart(8)} ${figure(at(times, 0.99), MOST.ms, 1)}${figure(asked, MOST.queries)}` +
      `${figure(rows, MOST.rowsEach * shown + MOST.rowsBesides)} ${String(shown).padStart(8)}` +
      ` ${(JSON.stringify(answer.body ?? null).length / 1000).toFixed(1).padStart(8)}${figure(standing.max / 1e6, MOST.standing, 1)}`,
  );
}

const told = (what: string, took: Took, half: number, most: number): void =>
  say(
    `${what.padEnd(44)} ${String(took.length).padStart(4)} times, half ${figure(at([...took], 0.5), half, 0)}ms, 99 of 100 ${figure(at([...took], 0.99), most, 0)}ms`,
  );
standing.reset();
told('three reels booked', await work.book(20), 150, 300);
told('a reel closed', await work.close(20), 150, 300);
const together = await atOnce(work, Number(values.seconds));
told('booked while another one closes', together.booked, Infinity, 1000);
told('closed while another one books', together.closed, Infinity, 1000);
say(`standing still at most ${figure(standing.max / 1e6, MOST.standing, 1)} ms meanwhile`);
await shop.close(true);
say(over === 0 ? 'All limits kept.' : `${String(over)} figures over their limit.`);
process.exitCode = over === 0 ? 0 : 1;
