import { fork } from 'node:child_process';
import { createWriteStream } from 'node:fs';
import { join } from 'node:path';
import { ROOT, WEB_BUILD } from './paths.mjs';
import { Told } from './progress.mjs';

/** Where the screens are found unless somebody says otherwise. */
const USUAL_PORT = 4310;

/**
 * Starts the server and waits until it answers. A usual port that is taken is passed over for a free one; a port that
 * was asked for and is taken is explained.
 * @param {{ database: string, log: string, demoPeople?: unknown, scale?: string, port?: number, onEnd?: (code: number | null) => void }} options
 * @returns {Promise<{ address: string, stop: () => Promise<void> }>}
 */
export async function startServer(options) {
  const asked =
    options.port ?? (process.env.YARD_SPOOL_PORT ? Number(process.env.YARD_SPOOL_PORT) : undefined);
  if (asked !== undefined && !(Number.isInteger(asked) && asked >= 0 && asked < 65536)) {
    throw new Told(`YARD_SPOOL_PORT must be a number from 1 to 65535, not "${process.env.YARD_SPOOL_PORT}".`);
  }
  const first = await tryStart(options, asked ?? USUAL_PORT);
  if (first !== 'EADDRINUSE') return first;
  if (asked !== undefined) {
    throw new Told(
      `Port ${asked} is in use by another program. Choose another with YARD_SPOOL_PORT, or leave it out.`,
    );
  }
  const second = await tryStart(options, 0);
  if (second === 'EADDRINUSE') throw new Told('No free port was found on this machine.');
  return second;
}

/**
 * @param {Parameters<typeof startServer>[0]} options
 * @param {number} port
 * @returns {Promise<'EADDRINUSE' | { address: string, stop: () => Promise<void> }>}
 */
function tryStart({ database, log, demoPeople, scale, onEnd }, port) {
  const child = fork(join(ROOT, 'server', 'src', 'main.ts'), {
    cwd: ROOT,
    execArgv: ['--import', 'tsx'],
    // A group of its own: Ctrl-C reaches the starter, which ends things in order.
    detached: true,
    stdio: ['ignore', 'pipe', 'pipe', 'ipc'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      YARD_SPOOL_DATABASE: database,
      YARD_SPOOL_PORT: String(port),
      YARD_SPOOL_WEB: WEB_BUILD,
      ...(scale ? { YARD_SPOOL_SCALE: scale } : {}),
      ...(demoPeople ? { YARD_SPOOL_DEMO_PEOPLE: JSON.stringify(demoPeople) } : {}),
    },
  });
  const file = createWriteStream(log, { flags: 'a' });
  let tail = '';
  for (const stream of [child.stdout, child.stderr]) {
    stream?.pipe(file, { end: false });
    stream?.on('data', (chunk) => (tail = (tail + chunk).slice(-4000)));
  }
  return new Promise((resolve, reject) => {
    let up = false;
    child.on('message', (/** @type {{ port?: number, failed?: string }} */ message) => {
      if (message.failed === 'EADDRINUSE') resolve('EADDRINUSE');
      if (message.port === undefined) return;
      up = true;
      resolve({ address: `http://127.0.0.1:${message.port}`, stop: () => stopChild(child) });
    });
    child.on('exit', (code) => {
      if (up) onEnd?.(code);
      else reject(new Told(`The server did not start:\n${tail}`));
    });
  });
}

/** @param {import('node:child_process').ChildProcess} child @returns {Promise<void>} */
function stopChild(child) {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  return new Promise((resolve) => {
    const force = setTimeout(() => child.kill('SIGKILL'), 5000);
    child.once('exit', () => {
      clearTimeout(force);
      resolve();
    });
    child.removeAllListeners('message');
    child.kill('SIGTERM');
  });
}
