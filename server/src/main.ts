import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import { createApp } from './app';
import { BenchCounters } from './devices/bench-counters';
import { readConfig } from './config';
import { connect } from './db/connect';
import { migrate } from './db/migrate';
import { openContext } from './context';

const config = readConfig(process.env);
const log = pino({ level: config.logLevel });

const sequelize = connect(config.database);
await sequelize.authenticate();
const steps = await migrate(sequelize);
if (steps.length > 0) log.info({ steps }, 'schema brought up to date');

const context = openContext(sequelize, undefined, config.scale);
const counters = await BenchCounters.open(context);
const server = createServer(createApp({ context, counters, log, webFolder: config.web, demo: config.demo }));

server.on('error', (error: NodeJS.ErrnoException) => {
  process.send?.({ failed: error.code ?? error.message });
  log.error({ code: error.code }, 'cannot listen');
  process.exit(1);
});
server.listen(config.port, config.host, () => {
  const { address, port } = server.address() as AddressInfo;
  log.info({ address, port }, 'listening');
  process.send?.({ port });
});

let stopping = false;
const stop = async (): Promise<void> => {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeIdleConnections();
  setTimeout(() => server.closeAllConnections(), 1000).unref();
  await counters.close();
  await sequelize.close();
  process.exit(0);
};
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop());
// The starter is gone: end with it rather than linger.
process.on('disconnect', () => void stop());
