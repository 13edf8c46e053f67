import { fork } from 'node:child_process';
import { dirname, join } from 'node:path';
import { littleRoom } from './folder-trouble.mjs';
import { bundle } from './bundle.mjs';
import { keepUp } from './keep-up.mjs';
import { ROOT, WEB_BUILD } from './paths.mjs';
import { whoHas } from './port-holder.mjs';
import { Told } from './progress.mjs';

/** Where the screens are found unless somebody says otherwise. */
const USUAL_PORT = 4310;
/** The server, and what its workers begin with, which it looks for beside itself. */
const SERVER = { main: 'server/src/main.ts', boot: 'server/src/tasks/worker.ts' };

/**
 * @typedef {{
 *   database: string, schema?: string | undefined, log: string, inbox?: string, demo?: unknown, scale?: string, port?: number,
 *   elsewhere?: boolean, lan?: { names: string[], cert: string, key: string, authority: string | null, fingerprint: string } | null, tell?: (line: string) => void,
 * }} ServerOptions elsewhere: whether a usual port that is taken is passed over for a free one. What a page keeps in the
 *   browser belongs to its address, so a shop's own server never moves by itself.
 */

/**
 * Starts the server and waits until it answers; where it ends by itself it is started again at the same place.
 * @param {ServerOptions} options
 * @returns {Promise<{ address: string, firstWords: string | null, stop: () => Promise<void>, restarts: () => number, pid: () => number | null }>}
 *   firstWords: what another device types to make the first person; null where there is somebody, or only this machine is answered
 */
export async function startServer(options) {
  const asked =
    options.port ?? (process.env.YARD_SPOOL_PORT ? Number(process.env.YARD_SPOOL_PORT) : undefined);
  if (asked !== undefined && !(Number.isInteger(asked) && asked >= 0 && asked < 65536)) {
    throw new Told(`YARD_SPOOL_PORT must be a number from 1 to 65535, not "${process.env.YARD_SPOOL_PORT}".`);
  }
  let port = asked ?? USUAL_PORT;
  if (options.elsewhere && asked === undefined && whoHas(port) !== null) port = 0;
  const { folder: program } = await bundle('server', SERVER);
  let started = false;
  const kept = await keepUp({
    what: 'The server',
    start: async () => {
      const running = await launch(join(program, 'main.mjs'), options, port);
      port = running.port;
      // Another start has other words.
      if (started && running.firstWords) options.tell?.(firstWordsTold(running.firstWords));
      started = true;
      return running;
    },
    ended: ({ ended }) => ended,
    stop: ({ child }) => stopChild(child),
    ...(options.tell ? { tell: options.tell } : {}),
  });
  return {
    address: options.lan ? `https://${options.lan.names[0]}:${port}` : `http://127.0.0.1:${port}`,
    firstWords: kept.running()?.firstWords ?? null,
    stop: kept.stop,
    restarts: kept.restarts,
    pid: () => kept.running()?.child.pid ?? null,
  };
}

/**
 * @param {string} program
 * @param {ServerOptions} options
 * @param {number} port
 * @returns {Promise<{ child: import('node:child_process').ChildProcess, port: number, ended: Promise<unknown>, firstWords: string | null }>}
 */
function launch(program, options, port) {
  const { database, schema, log, inbox, demo, scale, lan } = options;
  const child = fork(program, {
    cwd: ROOT,
    // Where something goes wrong the log names the source's lines.
    execArgv: ['--enable-source-maps'],
    // A group of its own: Ctrl-C reaches the starter, which ends things in order.
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      YARD_SPOOL_DATABASE: database,
      ...(schema ? { YARD_SPOOL_SCHEMA_DATABASE: schema } : {}),
      YARD_SPOOL_PORT: String(port),
      YARD_SPOOL_WEB: WEB_BUILD,
      YARD_SPOOL_LOG_FILE: log,
      ...(lan ? onTheNetwork(lan) : {}),
      ...(inbox ? { YARD_SPOOL_INBOX: inbox } : {}),
      ...(scale ? { YARD_SPOOL_SCALE: scale } : {}),
      ...(demo ? { YARD_SPOOL_DEMO: JSON.stringify(demo) } : {}),
    },
  });
  let said = '';
  child.stderr?.on('data', (chunk) => (said = (said + chunk).slice(-4000))).on('error', () => undefined);
  const ended = new Promise((resolve) => child.once('exit', resolve));
  return new Promise((resolve, reject) => {
    child.on('message', (/** @type {{ port?: number, failed?: string, firstWords?: string }} */ message) => {
      if (message.port !== undefined)
        resolve({ child, port: message.port, ended, firstWords: message.firstWords ?? null });
      if (message.failed === 'EADDRINUSE') reject(new Told(portTaken(port)));
    });
    child.on('exit', () =>
      reject(new Told(`The server did not start:\n${said.trim()}${littleRoom(dirname(log))}`)),
    );
    child.on('error', (error) => reject(new Told(`The server did not start: ${error.message}`)));
  });
}

/** @param {string} words */
export const firstWordsTold = (words) =>
  `Nobody works here yet. Make the first person on this machine, or type these words on another device:\n\n  ${words}\n`;

/** @param {NonNullable<ServerOptions['lan']>} lan */
const onTheNetwork = ({ names, cert, key, authority, fingerprint }) => ({
  YARD_SPOOL_HOST: '0.0.0.0',
  YARD_SPOOL_NAMES: names.filter((name) => name !== 'localhost' && name !== '127.0.0.1').join(','),
  YARD_SPOOL_TLS_CERT: cert,
  YARD_SPOOL_TLS_KEY: key,
  YARD_SPOOL_TLS_FINGERPRINT: fingerprint,
  ...(authority === null ? {} : { YARD_SPOOL_TLS_AUTHORITY: authority }),
});

/** @param {number} port */
function portTaken(port) {
  const holder = whoHas(port);
  const who = holder ? `process ${holder.pid} (${holder.command})` : 'another program';
  return `Port ${port} is in use by ${who}. End that, or choose another port with YARD_SPOOL_PORT; what a page has not sent yet waits for the port it was counted at.`;
}

/** How long a server that was told to end may take before it is ended, ms. */
const END_MS = 6000;

/** @param {import('node:child_process').ChildProcess} child @returns {Promise<void>} */
function stopChild(child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const force = setTimeout(() => child.kill('SIGKILL'), END_MS);
    child.once('exit', () => {
      clearTimeout(force);
      resolve();
    });
    child.removeAllListeners('message');
    child.kill('SIGTERM');
  });
}
