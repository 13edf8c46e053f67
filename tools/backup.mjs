// npm run backup: the whole shop in one file, also while it is in use. "npm run backup -- --to FILE" puts a copy there.
import { copyFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { askedFor } from './lib/arguments.mjs';
import { backUp, newestBackup } from './lib/backups.mjs';
import { startDatabase } from './lib/database.mjs';
import { holderOf, lockFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { shopDataFolder } from './lib/paths.mjs';
import { prepareDatabase } from './lib/prepare.mjs';
import { say, Told } from './lib/progress.mjs';

/** How long a running shop is waited for, ms. */
const PATIENCE_MS = 300_000;

live(async () => {
  const usage = 'npm run backup, or npm run backup -- --to FILE';
  const { to } = askedFor(usage, { options: { to: { type: 'string' } } }).values;
  const folder = shopDataFolder();
  const running = holderOf(folder);
  if (running && !running.address)
    throw new Told('The shop is just being started, restored or backed up. Try again in a moment.');
  const file = running ? await askIt(running.pid, folder) : await byItself(folder);
  const copy = to && resolve(process.env.INIT_CWD ?? '.', to);
  if (copy) copyFileSync(file, copy);
  say(`The shop is backed up in ${copy ?? file}`);
  return 0;
});

/** @param {number} pid @param {string} folder */
async function askIt(pid, folder) {
  const before = newestBackup(folder);
  process.kill(pid, 'SIGUSR2');
  for (const until = Date.now() + PATIENCE_MS; Date.now() < until;) {
    await pause(300);
    const file = newestBackup(folder);
    if (file && file !== before) return file;
  }
  throw new Told('The shop that is running made no backup. What it printed says why.');
}

/** @param {string} folder */
async function byItself(folder) {
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepareDatabase();
  const outside = process.env.YARD_SPOOL_DATABASE;
  if (outside) return backUp(outside, folder);
  const database = await startDatabase(join(folder, 'database'));
  return backUp(database.address, folder);
}
