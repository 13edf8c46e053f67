import { dirname } from 'node:path';
import { newestBackup } from './backups.mjs';

/**
 * What to do about a database that does not start, as sentences for whoever started it.
 * @param {string} folder of the database, in the shop's own @param {string} log what it wrote
 * @param {string} text of the log
 */
export function didNotStart(folder, log, text) {
  const errors = text
    .split('\n')
    .filter((line) => line.includes('[ERROR]'))
    .map((line) => line.replace(/^.*\[ERROR\]\s*/, ''));
  const backup = newestBackup(dirname(folder));
  return [
    `The database did not start. What it wrote is in ${log}`,
    ...(errors[0] ? [`It says: ${errors[0].slice(0, 200)}`] : []),
    'Start once more: after a power cut that is often enough. Where it fails again, its files may be damaged.',
    backup
      ? `Then go back to the last backup with\n\n  npm run restore -- ${backup}\n\nWhat is there now is put aside by that, never thrown away.`
      : `There is no backup in ${dirname(folder)}/backups yet. A copy on a stick is restored with: npm run restore -- FILE`,
  ].join('\n');
}
