import { statfsSync } from 'node:fs';

/** Less room than a start may take, bytes. */
const LITTLE = 100_000_000;

/** That the disk a folder is on is nearly full, where it is; empty otherwise. @param {string} folder */
export function littleRoom(folder) {
  try {
    const { bavail, bsize } = statfsSync(folder);
    const free = bavail * bsize;
    return free < LITTLE
      ? `\n${folder} is on a disk with ${Math.floor(free / 1_000_000)} MB of room left. Make room, then start again; what is there is safe.`
      : '';
  } catch {
    return '';
  }
}

/** Why a folder cannot be written to, in words, by the system's code. @type {Record<string, string>} */
const WHY = {
  ENOSPC: 'The disk is full. Make room, then start again; what is there is safe.',
  EDQUOT: 'The space this user may use is full. Make room, then start again; what is there is safe.',
  EROFS: 'The disk can only be read. Mount it for writing, or choose another folder with YARD_SPOOL_DATA.',
  EACCES:
    'This user may not write there. Give it the right to, or choose another folder with YARD_SPOOL_DATA.',
  EPERM:
    'This user may not write there. Give it the right to, or choose another folder with YARD_SPOOL_DATA.',
  ENOTDIR:
    'Something on the way there is a file. Move it away, or choose another folder with YARD_SPOOL_DATA.',
  EEXIST: 'There is a file of that name. Move it away, or choose another folder with YARD_SPOOL_DATA.',
};

/**
 * What is wrong with a folder, and what to do, as sentences for whoever started this.
 * @param {string} folder @param {unknown} error
 */
export function folderTrouble(folder, error) {
  const code = error instanceof Error && 'code' in error ? String(error.code) : '';
  const why = WHY[code] ?? (error instanceof Error ? error.message : String(error));
  return `Yard Spool cannot write to ${folder}. ${why}`;
}
