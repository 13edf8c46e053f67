import { statfsSync } from 'node:fs';

/** Less room than a start may take, bytes. */
const LITTLE = 100_000_000;

/** Bytes that are free on the disk a folder is on; null where nobody knows. @param {string} folder */
function freeOn(folder) {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize;
  } catch {
    return null;
  }
}

/** @param {number} bytes */
const inMb = (bytes) => `${Math.floor(bytes / 1_000_000)} MB`;

/** That the disk a folder is on is nearly full, where it is; empty otherwise. @param {string} folder */
export function littleRoom(folder) {
  const free = freeOn(folder);
  return free !== null && free < LITTLE
    ? `\n${folder} is on a disk with ${inMb(free)} of room left. Make room, then start again; what is there is safe.`
    : '';
}

/**
 * That the disk a folder is on has no room for something that is to be made there, where it has none; empty otherwise.
 * @param {string} folder @param {number} bytes it takes
 */
export function noRoomFor(folder, bytes) {
  const free = freeOn(folder);
  return free !== null && free < bytes
    ? `${folder} is on a disk with ${inMb(free)} of room left, and the first start takes ${inMb(bytes)}. Make room, or choose another folder with YARD_SPOOL_DATA; nothing was written.`
    : '';
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
