import { createHash } from 'node:crypto';
import {
  constants,
  cpSync,
  existsSync,
  mkdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { PROGRAMS } from './debian.mjs';
import { CACHE } from './paths.mjs';

const FOLDER = join(CACHE, 'demo-kept');
const KEY = join(FOLDER, 'key');
const DATA = join(FOLDER, 'data');

/**
 * The demo as it was loaded on this day from these sources, kept as the database's own files: the demo begins with a copy
 * of them instead of being made again.
 * @param {string} sources a hash of what it is made from
 */
export function keptDemo(sources) {
  // Its dates are relative to the day, and its files are of one database program.
  const program = statSync(PROGRAMS.mariadb.file);
  const made = [sources, new Date().toDateString(), Intl.DateTimeFormat().resolvedOptions().timeZone];
  const key = createHash('sha256')
    .update([...made, process.version, program.size, program.mtimeMs].join('\0'))
    .digest('hex');
  return {
    there: () => existsSync(DATA) && existsSync(KEY) && readFileSync(KEY, 'utf8') === key,
    /** @param {string} data where a database will find it */
    takeTo: (data) => copy(DATA, data),
    /** Keeps the files of a database that ended. One that is killed in between leaves nothing that looks whole. @param {string} data */
    keep: (data) => {
      rmSync(FOLDER, { recursive: true, force: true });
      mkdirSync(FOLDER, { recursive: true, mode: 0o700 });
      copy(data, `${DATA}.new`);
      renameSync(`${DATA}.new`, DATA);
      writeFileSync(KEY, key);
    },
  };
}

/** @param {string} from @param {string} to */
const copy = (from, to) => cpSync(from, to, { recursive: true, mode: constants.COPYFILE_FICLONE });
