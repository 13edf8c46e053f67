// npm run faults: a shop whose server, database and starter are killed, and whose counter and browser do wrong, over fills
// whose turns are truly known.
import { join } from 'node:path';
import { ensurePrograms } from './lib/debian.mjs';
import { live } from './lib/lifetime.mjs';
import { ROOT } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { run } from './lib/run.mjs';

live(async () => {
  await prepare();
  await ensurePrograms(['chromium', 'chromedriver']);
  const faults = ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'faults', 'main.ts'), ...process.argv.slice(2)];
  const { code } = await run('node', faults, { show: true, allowFailure: true });
  return code;
});
