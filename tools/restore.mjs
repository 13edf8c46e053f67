// npm run restore -- FILE: a shop from a backup. What is there now is put aside, never thrown away.
import { resolve } from 'node:path';
import { askedFor } from './lib/arguments.mjs';
import { backupFolder, newestBackup, shopFile } from './lib/backups.mjs';
import { markWhole, putInPlace, restoringIn, takeUpRestore } from './lib/begun-restore.mjs';
import { startDatabase } from './lib/database.mjs';
import { lockFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { shopDataFolder } from './lib/paths.mjs';
import { prepareDatabase } from './lib/prepare.mjs';
import { say, step, Told } from './lib/progress.mjs';

live(async () => {
  const folder = shopDataFolder();
  const [asked, ...more] = askedFor('npm run restore -- FILE', { allowPositionals: true }).positionals;
  if (!asked || more.length > 0) throw new Told(whichFile(folder));
  const file = resolve(process.env.INIT_CWD ?? '.', asked);
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepareDatabase();
  await step('Looking the file through', () => shopFile('check', file));
  const outside = process.env.YARD_SPOOL_SCHEMA_DATABASE ?? process.env.YARD_SPOOL_DATABASE;
  if (outside) {
    tellUnread(await step('Restoring', () => shopFile('restore', file, outside)));
    say('The shop is restored. "npm start" opens it.');
    return 0;
  }
  await takeUpRestore(folder, say);
  const database = await startDatabase(restoringIn(folder));
  try {
    tellUnread(await step('Restoring', () => shopFile('restore', file, database.schemaAddress)));
  } finally {
    await database.stop();
  }
  markWhole(folder);
  putInPlace(folder, say);
  say('The shop is restored. "npm start" opens it.');
  return 0;
});

/** As many as are named; the log has them all once they are looked at. */
const NAMED = 12;

/** Says what cannot be read of a shop that was restored all the same. @param {string} told JSON of the restoring */
function tellUnread(told) {
  /** @type {{ unread: string[] }} */
  const { unread } = JSON.parse(told.split('\n').at(-1) ?? '');
  if (unread.length === 0) return;
  say(
    `${unread.length} of its entries cannot be read. They are kept, and left out of lists:\n  ${unread.slice(0, NAMED).join('\n  ')}`,
  );
}

/** @param {string} folder */
function whichFile(folder) {
  const newest = newestBackup(folder);
  return newest
    ? `Say one file: npm run restore -- FILE. The newest backup is\n\n  ${newest}\n`
    : `Say one file: npm run restore -- FILE. Backups of this shop would be in ${backupFolder(folder)}; there is none.`;
}
