import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { endLeftover, startDatabase } from './database.mjs';
import { atEnd } from './lifetime.mjs';
import { ROOT } from './paths.mjs';
import { step } from './progress.mjs';
import { run } from './run.mjs';
import { startServer } from './server.mjs';
import { startStandIn } from './stand-ins.mjs';

/**
 * A server on a new database with the demo scenario. Everything of it lies in one folder and begins again each time.
 * @param {string} folder
 * @param {{ port?: number, elsewhere?: boolean, seasons?: boolean, tell?: (line: string) => void }} [options] `seasons`:
 *   whether two seasons of fills lie behind the shop
 * @returns {Promise<{
 *   address: string, log: string, counterPanel: string, printerPanel: string, pid: () => number | null, restarts: () => number,
 *   stop: () => Promise<void>,
 * }>}
 */
export async function startDemoServer(folder, options = {}) {
  const log = join(folder, 'server.log');
  const people = join(folder, 'people.json');
  const reels = join(folder, 'reels.json');
  mkdirSync(folder, { recursive: true });
  rmSync(log, { force: true });
  const database = await step('Starting a private database', () => freshDatabase(join(folder, 'database')));
  atEnd(database.stop);
  const { address, schemaAddress } = database;
  const scale = await startStandIn('scale');
  const counter = await startStandIn('counter', 'reed-2', 'wheel-2');
  const printer = await startStandIn('printer');
  const devices = [scale, counter, printer];
  for (const device of devices) atEnd(device.stop);
  await step('Loading the demo scenario', () =>
    run('node', ['--import', 'tsx', join(ROOT, 'demo', 'src', 'main.ts'), people, reels], {
      env: {
        YARD_SPOOL_DATABASE: address,
        YARD_SPOOL_SCHEMA_DATABASE: schemaAddress,
        YARD_SPOOL_DEMO_COUNTER: counter.address,
        YARD_SPOOL_DEMO_METER: counter.meter,
        YARD_SPOOL_DEMO_PRINTER: printer.address,
        YARD_SPOOL_DEMO_SEASONS: options.seasons ? 'yes' : '',
      },
    }),
  );
  const list = encodeURIComponent(readFileSync(reels, 'utf8'));
  await fetch(`${counter.panel}/reels?list=${list}`, { method: 'POST' });
  const demoPeople = JSON.parse(readFileSync(people, 'utf8'));
  const server = await step('Starting the server', () =>
    startServer({
      database: address,
      schema: schemaAddress,
      log,
      demoPeople,
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
      for (const device of devices) await device.stop();
      await database.stop();
    },
  };
}

/** @param {string} folder */
async function freshDatabase(folder) {
  await endLeftover(folder);
  rmSync(folder, { recursive: true, force: true });
  return startDatabase(folder, { durable: false });
}
