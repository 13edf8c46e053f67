import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo, Server } from 'node:net';
import { createApp } from './app';
import { BenchCounters } from './devices/bench-counters';
import type { Behind } from './context/behind';
import { readConfig } from './config';
import { connect, untilItAnswers } from './db/connect';
import { holdDatabase } from './db/one-server';
import { storageTrouble } from './db/database-errors';
import { migrateAt } from './db/migrate';
import { openShop } from './open-shop';
import { createPlainApp } from './http/plain-app';
import { frontDoor } from './http/front-door';
import { networkOf } from './http/network-of';
import { STRONG } from './http/tls';
import { openLog } from './log';
import { FirstWords } from './people/first-words';
import { clearPassingFiles } from './shop-file/passing-file';
import { WORDS } from './search/search-words';
import { takeWords } from './search/take-words';

/** How long things may take to end before the process ends without them, ms. */
const END_MS = 4000;

// Whoever reads what is printed may be gone: nothing is worth ending for.
for (const stream of [process.stdout, process.stderr]) stream.on('error', () => undefined);

const config = readConfig(process.env);
const log = await openLog(config);

const sequelize = connect(config.database);
let counters: BenchCounters | null = null;
let behind: Behind | null = null;
let release: (() => Promise<void>) | null = null;
const server = config.tls
  ? createSecureServer({
      cert: readFileSync(config.tls.cert),
      key: readFileSync(config.tls.key),
      ...STRONG,
    })
  : createServer();
const authority = config.tls?.authority ? readFileSync(config.tls.authority, 'utf8') : null;
/** What is listened at: in the shop's network a port that speaks both. */
const plain = config.tls ? createServer(createPlainApp({ names: config.names, authority, log })) : null;
const door: Server = plain ? frontDoor(server, plain) : server;

let stopping = false;
const stop = async (code = 0): Promise<void> => {
  if (stopping) return;
  stopping = true;
  setTimeout(() => process.exit(code), END_MS);
  door.close();
  for (const one of [server, plain]) one?.closeAllConnections();
  await counters?.close().catch(() => undefined);
  await behind?.idle();
  await release?.();
  await sequelize.close().catch(() => undefined);
  process.exit(code);
};
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
// The starter is gone: end with it rather than linger.
process.on('disconnect', () => void stop());

const fail = (failed: string): void => {
  log.error({ failed }, 'ends');
  process.send?.({ failed });
  process.stderr.write(`${failed}\n`);
  void stop(1);
};

door.on('error', (error: NodeJS.ErrnoException) => fail(error.code ?? error.message));

try {
  const left = await clearPassingFiles();
  if (left > 0) log.info({ left }, 'files that were left half-way are removed');
  await untilItAnswers(sequelize);
  // Held before anything is changed: an older server may still be at work on it.
  release = await holdDatabase(config.database, ({ message }) => fail(message));
  const steps = await migrateAt(config.schemaDatabase);
  if (steps.length > 0) log.info({ steps }, 'schema brought up to date');
  const context = openShop(sequelize, undefined, {
    scaleAddress: config.scale,
    inboxFolder: config.inbox,
    tellUnread: (found) => log.error(found, 'stands in the books and cannot be read'),
    tellFailed: (what, error) => log.error({ err: error }, what),
  });
  ({ behind } = context);
  await takeWords(context);
  counters = await BenchCounters.open(context);
  // Only where other devices are answered, and only on the console of whoever started it: never in the log.
  const firstWords = config.tls && (await context.tables.people.count()) === 0 ? new FirstWords() : null;
  server.on(
    'request',
    createApp({
      context,
      counters,
      log,
      webFolder: config.web,
      demo: config.demo,
      names: config.names,
      firstWords,
      authority,
      network: config.tls && networkOf(config.names, config.port, config.tls),
    }),
  );
  door.listen(config.port, config.host, () => {
    const { address, port } = door.address() as AddressInfo;
    log.info({ address, port }, 'listening');
    // Where this fails, whoever searches first has them read again.
    context.held
      .of(WORDS)
      .ready()
      .catch((error: unknown) => log.warn({ error }, 'words not read'));
    process.send?.({ port, ...(firstWords ? { firstWords: firstWords.text } : {}) });
  });
} catch (error) {
  fail(storageTrouble(error) ?? (error instanceof Error ? error.message : String(error)));
}
