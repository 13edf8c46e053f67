// npm start: the server on the shop's own data.
import { join } from 'node:path';
import { startDatabase } from './lib/database.mjs';
import { lockFolder, makeFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { shopDataFolder } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { say, step } from './lib/progress.mjs';
import { startServer } from './lib/server.mjs';

live(async () => {
  const folder = shopDataFolder();
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepare();
  makeFolder(join(folder, 'logs'));
  const outside = process.env.YARD_SPOOL_DATABASE;
  const database = outside ?? (await step('Starting the database', () => ownDatabase(folder)));
  const server = await step('Starting the server', () =>
    startServer({
      database,
      log: join(folder, 'logs', 'server.log'),
      tell: say,
    }),
  );
  atEnd(server.stop);
  lock.tell(server.address);
  say(`\nYard Spool is ready at ${server.address}\nIts data is in ${folder}. Ctrl-C ends it.\n`);
  return undefined;
});

/** @param {string} folder */
async function ownDatabase(folder) {
  const database = await startDatabase(join(folder, 'database'), { tell: say });
  atEnd(database.stop);
  return database.address('yard_spool');
}
