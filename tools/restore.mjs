// npm run restore -- FILE: a shop from a backup. What is there now is put aside, never thrown away.
import { existsSync, renameSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { shopFile } from './lib/backups.mjs';
import { startDatabase } from './lib/database.mjs';
import { lockFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { shopDataFolder } from './lib/paths.mjs';
import { prepareDatabase } from './lib/prepare.mjs';
import { say, step, Told } from './lib/progress.mjs';

live(async () => {
  const [asked] = parseArgs({ allowPositionals: true }).positionals;
  if (!asked) throw new Told('Say which file: npm run restore -- FILE');
  const file = resolve(process.env.INIT_CWD ?? '.', asked);
  const folder = shopDataFolder();
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
  const now = join(folder, 'database');
  const next = join(folder, 'database.restoring');
  rmSync(next, { recursive: true, force: true });
  const database = await startDatabase(next);
  try {
    tellUnread(await step('Restoring', () => shopFile('restore', file, database.schemaAddress)));
  } finally {
    await database.stop();
  }
  if (existsSync(now)) {
    const aside = `${now}.before-${new Date().toISOString().slice(0, 19).replace(/[-:T]/g, '')}`;
    renameSync(now, aside);
    say(`What was there is in ${aside}`);
  }
  renameSync(next, now);
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
