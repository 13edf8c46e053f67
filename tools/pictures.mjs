// npm run pictures: takes the pictures in docs/screenshots again, from the demo scenario, in the middle of the next morning.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensurePrograms } from './lib/debian.mjs';
import { startDemoServer } from './lib/demo-server.mjs';
import { live } from './lib/lifetime.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { prepare } from './lib/prepare.mjs';
import { step } from './lib/progress.mjs';
import { run } from './lib/run.mjs';

/** When the pictures are taken, whenever that is: a shop in the middle of its morning. */
const MORNING = [10, 22];
const DAY_MS = 86_400_000;

live(async () => {
  await ensurePrograms(['chromium', 'chromedriver']);
  await prepare();
  const today = new Date().setHours(MORNING[0] ?? 0, MORNING[1] ?? 0, 0, 0) - Date.now();
  // Always ahead: who signs in half a day ago has a session that is over by the browser's own clock.
  const ahead = today < 0 ? today + DAY_MS : today;
  const clock = join(mkdtempSync(join(tmpdir(), 'yard-spool-clock-')), 'ahead');
  writeFileSync(clock, String(ahead));
  process.env.YARD_SPOOL_TEST_CLOCK = clock;
  process.env.NODE_OPTIONS = `--import ${new URL('./lib/clock-ahead.mjs', import.meta.url).href}`;
  const { address } = await startDemoServer(join(CACHE, 'pictures'), { port: 0, seasons: true, fresh: true });
  delete process.env.NODE_OPTIONS;
  const folder = join(ROOT, 'docs', 'screenshots');
  await step('Taking pictures', () =>
    run('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'pictures.ts'), folder], {
      env: { YARD_SPOOL_ADDRESS: address, YARD_SPOOL_AHEAD: String(ahead) },
    }),
  );
  return 0;
});
