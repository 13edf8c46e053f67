// npm run faults: kills, faults of a counter and of a browser, over fills whose turns are truly known. Prints what went
// wrong as a table, with the seed it can be asked for again by. Exits with 1 where a turn was lost, counted twice, or credited
// unasked.
import { fork, type ChildProcess } from 'node:child_process';
import type { Bench } from '@yard-spool/contract';
import { seeded } from '@yard-spool/core';
import { Ask } from './ask';
import { BenchAgent } from './bench-agent';
import { AT_THE_SCREEN, BrowserHand } from './browser-hand';
import { CountedBench } from './counted-bench';
import { Fill } from './fill';
import { Killer } from './killer';
import { MISHAPS } from './mishaps';
import { addBench, receiveTwo, runAt, signIn, type TwoPieces } from './setup';
import { Shop } from './shop';
import { Tally } from './tally';

const short = process.argv.includes('--short');
const seed = Number(process.argv.find((one) => one.startsWith('--seed='))?.slice(7) ?? 7);
const AT_THE_COUNTER = Object.keys(MISHAPS);
/** Kills in all, what goes wrong at a counter and at a screen in all, and turns of each layer. */
const PLAN = short
  ? { kills: 8, counter: AT_THE_COUNTER.length, screen: AT_THE_SCREEN.length, turns: 40 }
  : { kills: 100, counter: 100, screen: 100, turns: 60 };
/** A quiet time after each kill, so that most fills are wound and not only waited for, ms. */
const QUIET_MS = short ? 5000 : 4000;

// The same faults again for the same seed, as far as time lets them.
const chance = seeded(seed);
const shop = await Shop.open();
const counter = await startCounter('reed-7');
const ask = new Ask(shop.address);
const agents = new Set<BenchAgent>();
const tally = new Tally();
const killer = new Killer(shop, ask, {
  most: PLAN.kills,
  quiet: QUIET_MS,
  chance,
  allSaved: () => [...agents].every(({ saved }) => saved),
});
/** Every mishap once before any comes twice. */
const comes = shuffled(AT_THE_COUNTER);
let fills = 0;

try {
  await signIn(ask);
  const device = { name: 'reed-7', address: counter.address, counts: 'handle-turns', per: 1 };
  const byHand = await addBench(ask, 'By hand', []);
  const atScreen = await addBench(ask, 'At the screen', []);
  const counted = await addBench(ask, 'Counted', [device]);
  const bench = new CountedBench(ask, counted, counter.panel, byHand);
  const pieces = await receiveTwo(ask);
  const browser = await BrowserHand.open(shop.screens, {
    ask,
    bench: atScreen,
    pieces,
    tally,
    chance,
    mayKill: killer.mayKill,
  });
  try {
    await Promise.all([atBenches(bench, byHand, pieces), atTheScreen(browser)]);
  } finally {
    await browser.close();
  }
  await killer.whole();
  report();
} finally {
  counter.child.disconnect();
  await shop.close();
}
process.exit(tally.isWhole ? 0 : 1);

async function atBenches(bench: CountedBench, byHand: Bench, pieces: TwoPieces): Promise<void> {
  while (killer.kills < PLAN.kills || tally.times(AT_THE_COUNTER) < PLAN.counter) {
    const winding = [
      await fill(bench.bench, pieces, bench),
      ...(fills % 4 === 0 ? [await fill(byHand, pieces, null)] : []),
    ];
    await Promise.all(winding.map((one) => one.wind(PLAN.turns)));
    fills += winding.length;
    agents.clear();
    progress();
  }
}

async function atTheScreen(browser: BrowserHand): Promise<void> {
  for (let i = 0; i < PLAN.screen; i += 1) await browser.suffers(AT_THE_SCREEN[i % AT_THE_SCREEN.length]!);
}

function say(line: string): void {
  process.stdout.write(`${line}\n`);
}

function progress(): void {
  say(
    `  ${String(killer.kills)} kills, ${String(tally.times(AT_THE_COUNTER))} at the counter, ${String(tally.times(AT_THE_SCREEN))} at the screen, ${String(tally.boundaries)} boundaries; ${tally.verdict}`,
  );
}

function report(): void {
  const sorted = killer.recoveries.sort((a, b) => a - b);
  const at = (share: number): string =>
    ((sorted[Math.floor(share * (sorted.length - 1))] ?? 0) / 1000).toFixed(1);
  say(`\nseed ${String(seed)}: ${String(fills)} fills, ${String(tally.boundaries)} boundaries\n`);
  say(`Killed, ${String(killer.kills)} times`);
  for (const [victim, times] of killer.by) say(`  ${victim.padEnd(36)}  ${String(times).padStart(4)}`);
  say(`At the counter, ${String(tally.times(AT_THE_COUNTER))} times`);
  for (const row of tally.rows(AT_THE_COUNTER)) say(row);
  say(`At the screen, ${String(tally.times(AT_THE_SCREEN))} times`);
  for (const row of tally.rows(AT_THE_SCREEN)) say(row);
  say(`\n${tally.verdict}`);
  say(`whole again after ${at(0.5)} s (half), ${at(0.9)} s (nine in ten), ${at(1)} s (the longest)`);
}

/** A reel about to be wound. */
async function fill(at: Bench, pieces: TwoPieces, bench: CountedBench | null): Promise<Fill> {
  const agent = new BenchAgent(ask, shop.address, await runAt(ask, at, pieces));
  agents.add(agent);
  let left = Math.ceil(PLAN.counter / (short ? 3 : 20));
  const mishap = (): string | null => {
    if (left === 0 || tally.times(AT_THE_COUNTER) >= PLAN.counter) return null;
    left -= 1;
    return comes();
  };
  return new Fill(ask, agent, bench, { chance, mayKill: killer.mayKill, mishap }, tally);
}

/** One after the other, in an order of chance, each once before any comes again. */
function shuffled(whats: readonly string[]): () => string {
  let left: string[] = [];
  return () => {
    if (left.length === 0) left = [...whats];
    return left.splice(Math.floor(left.length * chance()), 1)[0]!;
  };
}

async function startCounter(
  name: string,
): Promise<{ readonly child: ChildProcess; readonly address: string; readonly panel: string }> {
  const program = new URL('../../../stand-ins/src/counter-main.ts', import.meta.url).pathname;
  const child = fork(program, [name], { execArgv: ['--import', 'tsx'] });
  const { port, panel } = await new Promise<{ port: number; panel: number }>((resolve) =>
    child.once('message', (told) => resolve(told as { port: number; panel: number })),
  );
  return { child, address: `127.0.0.1:${String(port)}`, panel: `http://127.0.0.1:${String(panel)}` };
}
