import { existsSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { endLeftover } from './database.mjs';

/** In the folder of a database that holds all of a backup. */
const WHOLE = 'restored-whole';

/** Where a shop is restored before it takes its place. @param {string} folder */
export const restoringIn = (folder) => join(folder, 'database.restoring');

/** @param {string} folder */
export const markWhole = (folder) => writeFileSync(join(restoringIn(folder), WHOLE), '');

/**
 * Puts a restored shop in its place; what was there is put aside.
 * @param {string} folder @param {(line: string) => void} tell
 */
export function putInPlace(folder, tell) {
  const now = join(folder, 'database');
  const next = restoringIn(folder);
  if (existsSync(now)) {
    const aside = `${now}.before-${new Date().toISOString().slice(0, 19).replace(/[-:T]/g, '')}`;
    renameSync(now, aside);
    tell(`What was there is in ${aside}`);
  }
  renameSync(next, now);
  rmSync(join(now, WHOLE), { force: true });
}

/**
 * A restore that was broken off: where all of it was read it takes its place now, else what there is of it goes, and the
 * shop is as it was.
 * @param {string} folder @param {(line: string) => void} tell
 */
export async function takeUpRestore(folder, tell) {
  const next = restoringIn(folder);
  if (!existsSync(next)) return;
  await endLeftover(next);
  if (existsSync(join(next, WHOLE))) {
    tell('A restore that was broken off at its end is finished now.');
    putInPlace(folder, tell);
    return;
  }
  rmSync(next, { recursive: true, force: true });
  tell(
    'A restore was broken off before it had read all of its file: the shop is as it was. Run it again where it is still wanted.',
  );
}
