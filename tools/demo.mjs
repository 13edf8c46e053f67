// npm run demo: everything with the invented demo scenario, on a database that is thrown away.
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { endLeftover, startDatabase } from './lib/database.mjs';
import { lockFolder } from './lib/folder-lock.mjs';
import { atEnd, endAll, live } from './lib/lifetime.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { say, step } from './lib/progress.mjs';
import { run } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';

live(async () => {
  const folder = join(CACHE, 'demo');
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepare();
  const database = await step('Starting a private database', () => freshDatabase(join(folder, 'database')));
  atEnd(database.stop);
  const address = database.address('yard_spool');
  const people = join(folder, 'people.json');
  await step('Loading the demo scenario', () =>
    run('node', ['--import', 'tsx', join(ROOT, 'demo', 'src', 'main.ts'), people], {
      env: { YARD_SPOOL_DATABASE: address },
    }),
  );
  const server = await step('Starting the server', () =>
    startServer({
      database: address,
      log: join(folder, 'server.log'),
      demoPeople: JSON.parse(readFileSync(people, 'utf8')),
      onEnd: (code) => void endAll(code ?? 1),
    }),
  );
  atEnd(server.stop);
  lock.tell(server.address);
  say(
    `\nThe demo is ready at ${server.address}\nThe sign-in screen shows the demo people’s passcodes. Ctrl-C ends it and throws its data away.\n`,
  );
  return undefined;
});

/** The demo begins anew each time. @param {string} folder */
async function freshDatabase(folder) {
  await endLeftover(folder);
  rmSync(folder, { recursive: true, force: true });
  return startDatabase(folder);
}
