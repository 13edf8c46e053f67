import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout } from 'node:timers';
import { makeFolder } from './folder-lock.mjs';
import { ROOT } from './paths.mjs';
import { Told } from './progress.mjs';
import { run } from './run.mjs';

/** The hour of the night at which a shop that is running is backed up. */
const HOUR = 2;
const DAY_MS = 86_400_000;
/** Backups that are kept where nobody says how many. */
const USUALLY_KEPT = 14;

/**
 * Does something with a shop's file; what went wrong is told in one sentence.
 * @param {'write' | 'check' | 'restore'} what @param {string} file @param {string} [address]
 */
export async function shopFile(what, file, address = '') {
  const program = join(ROOT, 'server', 'src', 'shop-file', 'main.ts');
  const { code, output } = await run('node', ['--import', 'tsx', program, what, file], {
    env: { YARD_SPOOL_DATABASE: address },
    allowFailure: true,
  });
  if (code === 0) return output.trim();
  throw new Told(
    code === 2 ? output.trim() : `The file could not be ${what === 'write' ? 'written' : 'read'}:\n${output}`,
  );
}

/** How many backups are kept: YARD_SPOOL_BACKUPS, or 14. */
export function backupsKept() {
  const asked = process.env.YARD_SPOOL_BACKUPS;
  const kept = asked === undefined ? USUALLY_KEPT : Number(asked);
  if (Number.isInteger(kept) && kept >= 1 && kept <= 1000) return kept;
  throw new Told(`YARD_SPOOL_BACKUPS must be a number from 1 to 1000, not "${asked}".`);
}

/** Where a shop's backups are. @param {string} folder */
export const backupFolder = (folder) => join(folder, 'backups');

const NAME = /^yard-spool-.*\.jsonl\.gz$/;

/**
 * Writes a backup of a shop that may be in use, reads it through, and lets the oldest go.
 * @param {string} address @param {string} folder @param {number} [keep]
 * @returns {Promise<string>} the file
 */
export async function backUp(address, folder, keep = backupsKept()) {
  const into = backupFolder(folder);
  makeFolder(into);
  const stamp = new Date().toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');
  const file = join(into, `yard-spool-${stamp}.jsonl.gz`);
  await shopFile('write', file, address);
  await shopFile('check', file);
  const all = readdirSync(into)
    .filter((name) => NAME.test(name))
    .sort();
  for (const name of all.slice(0, -keep)) rmSync(join(into, name));
  return file;
}

/** The newest backup there is; null before the first. @param {string} folder */
export function newestBackup(folder) {
  const into = backupFolder(folder);
  const last = existsSync(into)
    ? readdirSync(into)
        .filter((name) => NAME.test(name))
        .sort()
        .at(-1)
    : undefined;
  return last ? join(into, last) : null;
}

/**
 * Backs a running shop up each night, and whenever it is asked to: "npm run backup" sends a signal, since nobody else knows
 * the database's passwords. What goes wrong is said and ends nothing.
 * @param {string} address @param {string} folder @param {(line: string) => void} tell
 */
export function backUpNightly(address, folder, tell) {
  const keep = backupsKept();
  let under = Promise.resolve();
  const now = () => {
    under = under.then(async () => {
      try {
        tell(`Backed up into ${await backUp(address, folder, keep)}`);
      } catch (error) {
        tell(`The shop could not be backed up: ${error instanceof Error ? error.message : error}`);
      }
    });
    return under;
  };
  const wait = () => {
    const next = new Date();
    next.setHours(HOUR, 0, 0, 0);
    if (next.getTime() <= Date.now()) next.setTime(next.getTime() + DAY_MS);
    setTimeout(() => void now().then(wait), next.getTime() - Date.now()).unref();
  };
  wait();
  process.on('SIGUSR2', () => void now());
}
