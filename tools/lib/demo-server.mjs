import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { beginLoading } from './demo-loader.mjs';
import { endLeftover, startDatabase } from './database.mjs';
import { keptDemo } from './kept-demo.mjs';
import { atEnd } from './lifetime.mjs';
import { step } from './progress.mjs';
import { startServer } from './server.mjs';
import { startStandIn } from './stand-ins.mjs';

/** What loads the demo, and the worker that simulates its seasons. */
const DEMO = { main: 'demo/src/main.ts', simulate: 'demo/src/simulate.ts' };

/**
 * A server on a new database with the demo scenario. Everything of it lies in one folder and begins again each time.
 * @param {string} folder
 * @param {{ port?: number, elsewhere?: boolean, seasons?: boolean, fresh?: boolean, tell?: (line: string) => void }} [options] `seasons`:
 *   whether two seasons of fills lie behind the shop; such a one is kept for the next start on the same day, unless it is to be a `fresh` one
 * @returns {Promise<{
 *   address: string, log: string, counterPanel: string, printerPanel: string, pid: () => number | null, restarts: () => number,
 *   stop: () => Promise<void>,
 * }>}
 */
export async function startDemoServer(folder, options = {}) {
  const log = join(folder, 'server.log');
  mkdirSync(folder, { recursive: true });
  rmSync(log, { force: true });
  const { folder: loader, sources } = await bundle('demo', DEMO, ['demo/src']);
  const kept = options.seasons && !options.fresh ? keptDemo(sources) : null;
  const again = kept?.there() ?? false;
  const load = beginLoading(loader, again ? 'kept' : options.seasons ? 'seasons' : 'small');
  const standIns = startStandIns();
  let database = await step('Starting a private database', () =>
    freshDatabase(join(folder, 'database'), again ? kept : null),
  );
  // Whichever runs at the end.
  atEnd(() => database.stop());
  const { scale, counter, printer } = await standIns;
  const where = { counter: counter.address, meter: counter.meter, printer: printer.address };
  const { people, reels, waiting } = await step(
    again ? 'Setting up the demo as it was kept' : 'Loading the demo scenario',
    () => load({ address: database.address, schemaAddress: database.schemaAddress, devices: where }),
  );
  if (kept && !again) {
    await database.stop();
    kept.keep(join(folder, 'database', 'data'));
    database = await startDatabase(join(folder, 'database'), { durable: false });
  }
  const { address, schemaAddress } = database;
  const inbox = join(folder, 'inbox');
  rmSync(inbox, { recursive: true, force: true });
  mkdirSync(inbox);
  writeFileSync(join(inbox, waiting.name), waiting.text);
  const list = encodeURIComponent(JSON.stringify(reels));
  await fetch(`${counter.panel}/reels?list=${list}`, { method: 'POST' });
  const server = await step('Starting the server', () =>
    startServer({
      database: address,
      schema: schemaAddress,
      log,
      inbox,
      demo: { people, counterPanel: counter.panel },
      scale: scale.address,
      ...options,
    }),
  );
  atEnd(server.stop);
  return {
    address: server.address,
    log,
    pid: server.pid,
    restarts: server.restarts,
    counterPanel: counter.panel,
    printerPanel: printer.panel,
    stop: async () => {
      await server.stop();
      for (const device of [scale, counter, printer]) await device.stop();
      await database.stop();
    },
  };
}

/** The simulated devices of the shop; they end with it. */
async function startStandIns() {
  const [scale, counter, printer] = await Promise.all([
    startStandIn('scale'),
    startStandIn('counter', 'reed-2', 'wheel-2'),
    startStandIn('printer'),
  ]);
  for (const device of [scale, counter, printer]) atEnd(device.stop);
  return { scale, counter, printer };
}

/** @param {string} folder @param {{ takeTo: (data: string) => void } | null} kept what it begins with, if anything */
async function freshDatabase(folder, kept) {
  await endLeftover(folder);
  rmSync(folder, { recursive: true, force: true });
  if (kept) {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    kept.takeTo(join(folder, 'data'));
  }
  return startDatabase(folder, { durable: false });
}
