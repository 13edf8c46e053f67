// Part of npm run bench: eight counters at 60 counts a second for a minute, each at a bench of its own, with one browser
// that watches all of them. Prints what was counted, how often it was written down, how late it was shown, and what it took.
import { readFileSync } from 'node:fs';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { foldRun, runFacts } from '@yard-spool/core';
import type { Run } from '@yard-spool/contract';
import { Ask } from './ask';
import { hearFrames, type Told } from './frames';
import { addBench, receiveTwo, runAt, signIn, upToBacking } from './setup';
import { Shop } from './shop';

const COUNTERS = 8;
const SECONDS = 60;
const COUNTS_A_SECOND = 60;
/** Counts to one handle turn: three turns a second, as a hand winds. */
const PER = 20;
/** Clock ticks of the kernel a second. */
const TICKS = 100;

/** A counter that says when it said what. */
class Timed {
  private readonly sockets = new Set<Socket>();
  private sequence = 0;
  count = 0;
  readonly saidAt: number[] = [];
  readonly server = createServer((socket) => {
    this.sockets.add(socket);
    socket.on('close', () => this.sockets.delete(socket)).on('error', () => undefined);
    this.say();
  });

  constructor(readonly name: string) {}

  turn(): void {
    this.count += 1;
    this.saidAt[this.count] = performance.now();
    this.say();
  }

  say(): void {
    this.sequence += 1;
    for (const socket of this.sockets)
      socket.write(`${this.name},${String(this.sequence)},${String(this.count)}\n`);
  }
}

const shop = await Shop.open();
const ask = new Ask(shop.address);
try {
  await signIn(ask);
  const pieces = await receiveTwo(ask);
  const timed = Array.from({ length: COUNTERS }, (_, i) => new Timed(`eight-${String(i + 1)}`));
  const runs: Run[] = [];
  for (const counter of timed) {
    await new Promise<void>((resolve) => counter.server.listen(0, '127.0.0.1', resolve));
    const { port } = counter.server.address() as AddressInfo;
    const device = {
      name: counter.name,
      address: `127.0.0.1:${String(port)}`,
      counts: 'handle-turns',
      per: PER,
    };
    const run = await runAt(ask, await addBench(ask, counter.name, [device]), pieces);
    await upToBacking(ask, run);
    runs.push(run);
  }
  const lags: number[] = [];
  const watching = watch(runs, timed, lags);
  await pause(2000);
  const before = processor();
  const began = performance.now();
  for (let told = 0; told < SECONDS * COUNTS_A_SECOND;) {
    const due = Math.floor(((performance.now() - began) / 1000) * COUNTS_A_SECOND);
    for (; told < Math.min(due, SECONDS * COUNTS_A_SECOND); told += 1)
      for (const counter of timed) counter.turn();
    await pause(4);
  }
  const took = (performance.now() - began) / 1000;
  const used = (processor() - before) / took;
  await pause(1500);
  watching.abort();
  await report(runs, timed, { lags, took, used });
  for (const { server } of timed) server.close();
} finally {
  await shop.close();
}
process.exit();

/** Seconds of processor time the server has used. */
function processor(): number {
  const stat =
    readFileSync(`/proc/${String(shop.serverPid() ?? 0)}/stat`, 'utf8')
      .split(') ')
      .at(-1)
      ?.split(' ') ?? [];
  return (Number(stat[11]) + Number(stat[12])) / TICKS;
}

/** Watches all runs over one stream, as one browser does, and writes down how late each count was shown, ms. */
function watch(all: readonly Run[], counters: readonly Timed[], lags: number[]): AbortController {
  const stop = new AbortController();
  const asked = all.map(({ id }) => `${String(id)}:0`).join(',');
  const of = new Map(all.map(({ id }, i) => [id, counters[i]]));
  const shown = new Map<number, number>();
  const hear = ({ run, frame }: Told): void => {
    if (frame.kind !== 'counter') return;
    const now = performance.now();
    const upTo = frame.counter?.count ?? 0;
    // A count that is shown together with later ones waited for them.
    for (let count = (shown.get(run) ?? 0) + 1; count <= upTo; count += 1)
      lags.push(now - (of.get(run)?.saidAt[count] ?? NaN));
    shown.set(run, Math.max(upTo, shown.get(run) ?? 0));
  };
  hearFrames(ask, shop.address, asked, hear, stop.signal).catch(() => undefined);
  return stop;
}

async function report(
  all: readonly Run[],
  counters: readonly Timed[],
  { lags, took, used }: { readonly lags: number[]; readonly took: number; readonly used: number },
): Promise<void> {
  let wrong = 0;
  let most = 0;
  for (const [i, { id }] of all.entries()) {
    const run = await ask.patiently<Run>('GET', `/runs/${String(id)}`);
    const { turns } = foldRun(runFacts(run), run.events);
    if (Math.abs((turns.backing ?? 0) - (counters[i]?.count ?? 0) / PER) > 1e-6) wrong += 1;
    const at = run.events.flatMap((event) => (event.kind === 'turns' ? [Date.parse(event.at)] : []));
    most = Math.max(most, (1000 * (at.length - 1)) / ((at.at(-1) ?? 0) - (at[0] ?? 0)));
  }
  const sorted = lags.sort((a, b) => a - b);
  const at = (share: number): string => (sorted[Math.floor(share * (sorted.length - 1))] ?? NaN).toFixed(1);
  process.stdout.write(
    [
      `${String(COUNTERS)} counters at ${String(COUNTS_A_SECOND)} counts a second for ${took.toFixed(0)} s: ${String(COUNTERS - wrong)} of ${String(COUNTERS)} exact (limit all)`,
      `  events a second and run ${most.toFixed(2)} at most (limit 4)`,
      `  from count to screen ${at(0.5)} ms in half, ${at(0.99)} ms in 99 of 100 (limit 100 ms), ${String(sorted.length)} shown`,
      `  server ${used.toFixed(2)} cores (limit 0.5)`,
      '',
    ].join('\n'),
  );
}
