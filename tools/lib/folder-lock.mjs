import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { commandOf } from './database-files.mjs';
import { Told } from './progress.mjs';

/**
 * Takes a data folder for this process. A lock whose process is gone is stale and taken over; one that is held is
 * explained.
 * @param {string} folder
 * @returns {{ tell: (address: string) => void, release: () => void }}
 */
export function lockFolder(folder) {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const file = join(folder, 'in-use.json');
  const holder = existsSync(file) ? readHolder(file) : null;
  if (holder && holder.pid !== process.pid && commandOf(holder.pid).includes(holder.script)) {
    const where = holder.address ? ` at ${holder.address}` : '';
    throw new Told(
      `Yard Spool is already running on this folder${where} (process ${holder.pid}).\nUse that one, or end it with Ctrl-C where it was started.`,
    );
  }
  const script = process.argv[1]?.split('/').at(-1) ?? 'node';
  const write = (address = '') => writeFileSync(file, JSON.stringify({ pid: process.pid, script, address }));
  write();
  return { tell: write, release: () => rmSync(file, { force: true }) };
}

/** @param {string} file @returns {{ pid: number, script: string, address: string } | null} */
function readHolder(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}
