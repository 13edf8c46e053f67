// npm run bench: performance figures, each beside its limit.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { live } from './lib/lifetime.mjs';
import { ensureNode, ensurePackages } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { run } from './lib/run.mjs';

live(async () => {
  ensureNode();
  await ensurePackages();
  const folder = join(ROOT, 'core', 'bench');
  for (const file of readdirSync(folder).filter((name) => name.endsWith('.ts') && name !== 'report.ts')) {
    await run('node', ['--expose-gc', '--import', 'tsx', join(folder, file)], { show: true });
  }
  await prepare();
  await run('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'faults', 'eight.ts')], { show: true });
  return 0;
});
