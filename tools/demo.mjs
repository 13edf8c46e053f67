// npm run demo: everything with the invented demo scenario, on a database that is thrown away.
import { startDemoServer } from './lib/demo-server.mjs';
import { holderOf, lockFolder } from './lib/folder-lock.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { demoDataFolder } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { say } from './lib/progress.mjs';

live(async () => {
  const folder = freeFolder();
  const lock = lockFolder(folder);
  atEnd(lock.release);
  await prepare();
  const { address, counterPanel, printerPanel } = await startDemoServer(folder, {
    elsewhere: true,
    seasons: true,
    tell: say,
  });
  lock.tell(address);
  say(`\nThe demo is ready at ${address}`);
  say(`Bench 2 has a simulated counter, turned at ${counterPanel}`);
  say(`The label printer keeps what it is sent at ${printerPanel}`);
  say('The sign-in screen shows the demo people’s passcodes. Ctrl-C ends it and throws its data away.\n');
  return undefined;
});

/** Demos that run beside each other have a folder each. */
function freeFolder() {
  const first = demoDataFolder();
  for (let n = 1; n < 10; n += 1) {
    const folder = n === 1 ? first : `${first}-${String(n)}`;
    if (!holderOf(folder)) return folder;
  }
  return first;
}
