import { existsSync, mkdirSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { commandOf } from './database-files.mjs';
import { folderTrouble } from './folder-trouble.mjs';
import { Told } from './progress.mjs';

/**
 * Takes a data folder for this process. A lock whose process is gone is stale and taken over; one that is held is
 * explained.
 * @param {string} folder
 * @returns {{ tell: (address: string) => void, release: () => void }}
 */
export function lockFolder(folder) {
  makeFolder(folder);
  const file = join(folder, 'in-use.json');
  const holder = holderOf(folder);
  if (holder) {
    const where = holder.address ? ` at ${holder.address}` : '';
    throw new Told(
      `Yard Spool is already running on this folder${where} (process ${holder.pid}).\nUse that one, or end it with Ctrl-C where it was started.`,
    );
  }
  const script = process.argv[1]?.split('/').at(-1) ?? 'node';
  const write = (address = '') => {
    try {
      writeFileSync(
        file,
        JSON.stringify({ pid: process.pid, script, address, folder: realpathSync(folder) }),
      );
    } catch (error) {
      throw new Told(folderTrouble(folder, error));
    }
  };
  write();
  return { tell: write, release: () => rmSync(file, { force: true }) };
}

/** Who holds a data folder now; null where nobody does. @param {string} folder */
export function holderOf(folder) {
  const file = join(folder, 'in-use.json');
  const holder = existsSync(file) ? readHolder(file) : null;
  if (!holder || holder.pid === process.pid) return null;
  // A lock that came along with a copied folder holds the one it was made in.
  if (holder.folder !== undefined && holder.folder !== realpathSync(folder)) return null;
  return commandOf(holder.pid).includes(holder.script) ? holder : null;
}

/** Makes a folder only its owner may look into, or says why that cannot be. @param {string} folder */
export function makeFolder(folder) {
  try {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
  } catch (error) {
    throw new Told(folderTrouble(folder, error));
  }
}

/** @param {string} file @returns {{ pid: number, script: string, address: string, folder?: string } | null} */
function readHolder(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}
