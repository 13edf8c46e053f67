// npm run bench: performance figures, each beside its limit. "npm run bench -- big": only those of a shop of many years, in
// which everything is asked and two people work at once; "npm run bench -- screens": only those of the screens.
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { askedFor } from './lib/arguments.mjs';
import { startDatabase } from './lib/database.mjs';
import { ensurePrograms } from './lib/debian.mjs';
import { startDemoServer } from './lib/demo-server.mjs';
import { fuzz } from './lib/fuzz.mjs';
import { live } from './lib/lifetime.mjs';
import { ensureNode, ensurePackages } from './lib/packages.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { prepare, prepareDatabase } from './lib/prepare.mjs';
import { Told } from './lib/progress.mjs';
import { run } from './lib/run.mjs';

/** Requests of the fuzz, with the event loop looked at after each, and rounds of its races. */
const FUZZ = { count: 20_000, rounds: 200, waiting: 450 };

/**
 * How fast a shop of 100,000 fills answers; how many of its limits were not kept.
 * @param {'main' | 'big'} which what is asked of it
 */
async function load(which) {
  const folder = join(CACHE, 'test', which === 'big' ? 'big' : 'load', 'database');
  const database = await startDatabase(folder, { durable: false, tests: true });
  try {
    const { code } = await run(
      'node',
      ['--import', 'tsx', join(ROOT, 'server', 'src', 'load', `${which}.ts`)],
      {
        env: { YARD_SPOOL_TEST_DATABASE: database.testsAddress ?? '' },
        show: true,
        allowFailure: true,
      },
    );
    return code === 0 ? 0 : 1;
  } finally {
    await database.stop();
  }
}

/** How soon a keystroke is seen in Chromium; whether its limits were not kept. */
async function screens() {
  await ensurePrograms(['chromium', 'chromedriver']);
  const demo = await startDemoServer(join(CACHE, 'test', 'screens'), { port: 0 });
  try {
    const { code } = await run('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'frames-bench.ts')], {
      env: { YARD_SPOOL_ADDRESS: demo.address },
      show: true,
      allowFailure: true,
    });
    return code === 0 ? 0 : 1;
  } finally {
    await demo.stop();
  }
}

live(async () => {
  ensureNode();
  await ensurePackages();
  const [only, ...more] = askedFor('npm run bench, npm run bench -- big, or npm run bench -- screens', {
    allowPositionals: true,
  }).positionals;
  if (only !== undefined && (!['big', 'screens'].includes(only) || more.length > 0))
    throw new Told('The benches are "npm run bench", "npm run bench -- big" and "npm run bench -- screens".');
  if (only === 'big') {
    await prepareDatabase();
    return load('big');
  }
  if (only === 'screens') {
    await prepare();
    return screens();
  }
  const folder = join(ROOT, 'core', 'bench');
  for (const file of readdirSync(folder).filter((name) => name.endsWith('.ts') && name !== 'report.ts')) {
    await run('node', ['--expose-gc', '--import', 'tsx', join(folder, file)], { show: true });
  }
  await prepare();
  await run('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'faults', 'eight.ts')], { show: true });
  const slow = (await load('main')) + (await screens());
  const { failed } = await fuzz(FUZZ, { lag: true, show: true });
  return failed + slow;
});
