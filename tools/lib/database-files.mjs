import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** @param {string} folder */
export const pidFile = (folder) => join(folder, 'mariadbd.pid');

/**
 * The process of a database still running on a folder, or null. A pid file alone proves nothing: the process must be
 * a mariadbd on this very folder.
 * @param {string} folder
 */
export function runningDatabase(folder) {
  if (!existsSync(pidFile(folder))) return null;
  const pid = Number(readFileSync(pidFile(folder), 'utf8').trim());
  return pid > 0 && commandOf(pid).includes(`--datadir=${join(folder, 'data')}`) ? pid : null;
}

/** The command line of a process; empty where there is none. @param {number} pid */
export function commandOf(pid) {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
  } catch {
    return '';
  }
}
