// npm run faults: kills, device faults and boundaries over fills whose turns are truly known. Exits with 1 where a turn
// was lost, counted twice, or credited unasked.
import { fork, type ChildProcess } from 'node:child_process';
import type { Bench } from '@yard-spool/contract';
import { seeded } from '@yard-spool/core';
import { Ask } from './ask';
import { BenchAgent } from './bench-agent';
import { Fill, type Outcome } from './fill';
import { Killer } from './killer';
import { addBench, receiveTwo, runAt, signIn, type TwoPieces } from './setup';
import { Shop } from './shop';

const short = process.argv.includes('--short');
const seed = Number(process.argv.find((one) => one.startsWith('--seed='))?.slice(7) ?? 7);
/** Kills in all, device faults in all, and turns of each layer. */
const PLAN = short ? { kills: 8, faults: 10, turns: 40 } : { kills: 100, faults: 100, turns: 60 };
/** A quiet time after each kill, so that most fills are wound and not only waited for, ms. */
const QUIET_MS = short ? 5000 : 4000;

// The same faults again for the same seed, as far as time lets them.
const chance = seeded(seed);
const shop = await Shop.open();
const counter = await startCounter('reed-7');
const ask = new Ask(shop.address);
const agents = new Set<BenchAgent>();
const killer = new Killer(shop, ask, {
  most: PLAN.kills,
  quiet: QUIET_MS,
  chance,
  allSaved: () => [...agents].every(({ saved }) => saved),
});
const totals: Record<keyof Outcome, number> = { lost: 0, doubled: 0, unasked: 0, faults: 0, boundaries: 0 };
let fills = 0;

try {
  await signIn(ask);
  const device = { name: 'reed-7', address: counter.address, counts: 'handle-turns', per: 1 };
  const counted = await addBench(ask, 'Counted', [device]);
  const byHand = await addBench(ask, 'By hand', []);
  const pieces = await receiveTwo(ask);
  while (killer.kills < PLAN.kills || totals.faults < PLAN.faults) {
    const winding = [
      await fill(counted, pieces, counter.panel),
      ...(fills % 4 === 0 ? [await fill(byHand, pieces, null)] : []),
    ];
    for (const outcome of await Promise.all(winding.map((one) => one.wind(PLAN.turns)))) {
      fills += 1;
      for (const key of Object.keys(totals) as (keyof Outcome)[]) totals[key] += outcome[key];
    }
    agents.clear();
    say(
      `  ${String(killer.kills)} kills, ${String(totals.faults)} faults, ${String(totals.boundaries)} boundaries; lost ${String(totals.lost)}, doubled ${String(totals.doubled)}, unasked ${String(totals.unasked)}`,
    );
  }
  await killer.whole();
  report();
} finally {
  counter.child.disconnect();
  await shop.close();
}
process.exit(totals.lost + totals.doubled + totals.unasked > 0 ? 1 : 0);

function say(line: string): void {
  process.stdout.write(`${line}\n`);
}

function report(): void {
  const sorted = killer.recoveries.sort((a, b) => a - b);
  const at = (share: number): string =>
    ((sorted[Math.floor(share * (sorted.length - 1))] ?? 0) / 1000).toFixed(1);
  const by = [...killer.by].map(([victim, times]) => `${victim} ${String(times)}`).join(', ');
  say(
    `seed ${String(seed)}: ${String(fills)} fills, ${String(killer.kills)} kills (${by}), ${String(totals.faults)} device faults, ${String(totals.boundaries)} boundaries`,
  );
  say(
    `lost ${String(totals.lost)}, doubled ${String(totals.doubled)}, credited unasked ${String(totals.unasked)}`,
  );
  say(`whole again after ${at(0.5)} s (half), ${at(0.9)} s (nine in ten), ${at(1)} s (the longest)`);
}

/** A reel about to be wound. */
async function fill(at: Bench, pieces: TwoPieces, panel: string | null): Promise<Fill> {
  const agent = new BenchAgent(ask, shop.address, await runAt(ask, at, pieces));
  agents.add(agent);
  const faults = Math.ceil(PLAN.faults / (short ? 3 : 20));
  return new Fill(ask, agent, panel, { chance, mayKill: killer.mayKill, faults });
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
