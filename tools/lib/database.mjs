import { spawn } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir, totalmem, userInfo } from 'node:os';
import { dirname, join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { addressesOf, initialStatements, newPasswords } from './database-accounts.mjs';
import { pidFile, runningDatabase } from './database-files.mjs';
import { PROGRAMS } from './debian.mjs';
import { littleRoom, noRoomFor } from './folder-trouble.mjs';
import { didNotStart } from './database-trouble.mjs';
import { makeFolder } from './folder-lock.mjs';
import { atEnd } from './lifetime.mjs';
import { keepUp } from './keep-up.mjs';
import { Told } from './progress.mjs';
import { run } from './run.mjs';

const KEEPER = new URL('./database-keeper.mjs', import.meta.url).pathname;
const START_SECONDS = 60;
/** What a new database takes, with its tables and the first day's work, bytes: measured, and a quarter more. */
const NEW_BYTES = 250_000_000;
/** Nothing waits for the disk: what was written outlasts a kill of the database, and no failure of the machine. */
const FLEETING = ['--innodb-flush-log-at-trx-commit=2', '--innodb-flush-method=nosync'];

/**
 * A private MariaDB on loopback with its own data folder. It ends with this process, however this process ends, and is
 * started again at the same place where it ends by itself.
 * @param {string} folder holds everything of it
 * @param {{ durable?: boolean, tests?: boolean, tell?: (line: string) => void }} [options] whether what was written
 *   outlasts a failure of the machine (data that is thrown away need not), whether tests make databases of their own in it,
 *   and who is told that it was started again
 * @returns {Promise<{
 *   address: string, schemaAddress: string, testsAddress: string | null, stop: () => Promise<void>,
 * }>} where the application, who changes its tables, and its tests sign in
 */
export async function startDatabase(folder, { durable = true, tests = false, tell } = {}) {
  makeFolder(folder);
  await endLeftover(folder);
  const data = join(folder, 'data');
  await ensureData(data);
  const port = await freePort();
  const passwords = newPasswords(tests);
  const options = [...serverOptions(folder, data, port), ...(durable ? [] : FLEETING)];
  /** @type {ReturnType<typeof launch> | null} */
  let starting = null;
  /** @type {(() => Promise<void>) | null} */
  let stop = null;
  // It may be asked to end before it is there: a first start takes seconds.
  atEnd(() => (stop ? stop() : starting?.then(endKeeper, () => undefined)), 'the database');
  const kept = await keepUp({
    what: 'The database',
    start: async () => {
      await endLeftover(folder);
      starting = launch(folder, options, passwords);
      return starting;
    },
    ended: (keeper) => keeper.ended,
    stop: endKeeper,
    ...(tell ? { tell } : {}),
  });
  stop = kept.stop;
  return {
    ...addressesOf(passwords, port),
    stop: kept.stop,
  };
}

/** @param {{ ended: Promise<unknown>, end: () => void }} keeper */
async function endKeeper(keeper) {
  keeper.end();
  await keeper.ended;
}

/** @param {string} folder @param {string[]} options @param {import('./database-accounts.mjs').Passwords} passwords */
async function launch(folder, options, passwords) {
  const log = join(folder, 'mariadbd.log');
  writeFileSync(log, '', { mode: 0o600 });
  // One that is older than that keeps what it was made with.
  chmodSync(log, 0o600);
  writeFileSync(join(folder, 'init.sql'), initialStatements(passwords), { mode: 0o600 });
  const keeper = spawn(process.execPath, [KEEPER, log, PROGRAMS.mariadb.file, ...options], {
    stdio: ['pipe', 'ignore', 'ignore'],
    detached: true,
  });
  keeper.stdin?.on('error', () => undefined);
  const ended = new Promise((resolve) => keeper.once('exit', resolve));
  try {
    await untilReady(log, ended);
  } finally {
    rmSync(join(folder, 'init.sql'), { force: true });
  }
  return { ended, end: () => keeper.stdin?.end() };
}

/** A database that outlived the run that started it holds the folder's lock: end it first. @param {string} folder */
export async function endLeftover(folder) {
  const pid = runningDatabase(folder);
  if (pid === null) return;
  process.kill(pid, 'SIGTERM');
  for (let tries = 0; tries < 300 && runningDatabase(folder) !== null; tries += 1) await pause(100);
  if (runningDatabase(folder) === null) return;
  throw new Told(`A database of an earlier run (process ${pid}) does not end. End it with: kill -9 ${pid}`);
}

/**
 * The data folder, made where it is missing. It is made beside its place and moved there once it is whole: a start that
 * is killed in between leaves nothing that looks like one.
 * @param {string} data
 */
async function ensureData(data) {
  const begun = `${data}.new`;
  rmSync(begun, { recursive: true, force: true });
  if (existsSync(join(data, 'mysql'))) return;
  const short = noRoomFor(dirname(data), NEW_BYTES);
  if (short) throw new Told(short);
  const { code, output } = await run(
    'mariadb-install-db',
    [
      '--no-defaults',
      `--user=${userInfo().username}`,
      `--datadir=${begun}`,
      // Nobody can sign in with it before the first start takes it away.
      '--auth-root-authentication-method=socket',
      '--skip-test-db',
      '--skip-name-resolve',
    ],
    { allowFailure: true },
  );
  if (code === 0) {
    rmSync(data, { recursive: true, force: true });
    renameSync(begun, data);
    return;
  }
  rmSync(begun, { recursive: true, force: true });
  const errors = output.split('\n').filter((line) => line.includes('[ERROR]'));
  const why = errors.length > 0 ? errors.slice(0, 3) : output.split('\n').slice(-8);
  throw new Told(
    `The database’s data folder could not be made at ${data}:\n${why.join('\n')}${littleRoom(dirname(data))}`,
  );
}

/** An eighth of the machine’s memory, within what a small shop needs and a large one uses. */
const poolBytes = () => Math.min(1_073_741_824, Math.max(134_217_728, Math.floor(totalmem() / 8)));

/** @param {string} folder @param {string} data @param {number} port */
function serverOptions(folder, data, port) {
  // A socket's path may be 107 bytes long at most, so it cannot lie in the folder itself.
  const socket = join(tmpdir(), `yard-spool-${port}.sock`);
  // What is sorted on the way lies with the shop: the machine’s own folder for it may be small, or in memory.
  const temporary = join(folder, 'tmp');
  rmSync(temporary, { recursive: true, force: true });
  mkdirSync(temporary, { recursive: true });
  return [
    '--no-defaults',
    `--user=${userInfo().username}`,
    `--datadir=${data}`,
    `--socket=${socket}`,
    `--pid-file=${pidFile(folder)}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    '--skip-networking=0',
    '--skip-name-resolve',
    `--init-file=${join(folder, 'init.sql')}`,
    '--character-set-server=utf8mb4',
    '--skip-log-bin',
    '--performance-schema=OFF',
    '--max-connections=200',
    `--tmpdir=${temporary}`,
    `--innodb-buffer-pool-size=${poolBytes()}`,
  ];
}

/** @param {string} log @param {Promise<unknown>} ended */
async function untilReady(log, ended) {
  let over = false;
  void ended.then(() => (over = true));
  const tail = () => readFileSync(log, 'utf8');
  for (let tries = 0; tries < START_SECONDS * 20; tries += 1) {
    if (/ready for connections/.test(tail())) return;
    if (over) break;
    await pause(50);
  }
  const kept = log.replace(/\.log$/, '.failed.log');
  copyFileSync(log, kept);
  throw new Told(didNotStart(dirname(log), kept, tail()) + littleRoom(dirname(log)));
}

/** @returns {Promise<number>} */
export const freePort = () =>
  new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
