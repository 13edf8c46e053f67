// npm run pictures: takes the pictures in docs/screenshots again, from the demo scenario.
import { join } from 'node:path';
import { ensurePrograms } from './lib/debian.mjs';
import { startDemoServer } from './lib/demo-server.mjs';
import { live } from './lib/lifetime.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { step } from './lib/progress.mjs';
import { run } from './lib/run.mjs';

live(async () => {
  await ensurePrograms(['chromium', 'chromedriver']);
  await prepare();
  const { address } = await startDemoServer(join(CACHE, 'pictures'), { port: 0, seasons: true });
  const folder = join(ROOT, 'docs', 'screenshots');
  await step('Taking pictures', () =>
    run('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'pictures.ts'), folder], {
      env: { YARD_SPOOL_ADDRESS: address },
    }),
  );
  return 0;
});
