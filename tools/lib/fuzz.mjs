import { join } from 'node:path';
import { startDatabase } from './database.mjs';
import { CACHE, ROOT } from './paths.mjs';
import { run } from './run.mjs';

/**
 * Asks a whole server so many requests that are nearly right, or nothing like it, and has changes race each other.
 * @param {{ count: number, rounds: number, waiting: number }} much waiting: reels that wait in the shop that is asked
 * @param {{ lag?: boolean, show?: boolean }} [options] lag: whether the server's event loop is held to its limit
 * @returns {Promise<import('./stages.mjs').Outcome>}
 */
export async function fuzz({ count, rounds, waiting }, { lag = false, show = false } = {}) {
  const database = await startDatabase(join(CACHE, 'test', 'fuzz', 'database'), {
    durable: false,
    tests: true,
  });
  const env = { YARD_SPOOL_TEST_DATABASE: database.testsAddress ?? '' };
  const all = { passed: 0, failed: 0, output: '' };
  try {
    for (const [name, ...args] of [
      ['main', '--count', String(count), '--waiting', String(waiting), ...(lag ? ['--lag'] : [])],
      ['races', '--rounds', String(rounds)],
    ]) {
      const program = join(ROOT, 'server', 'src', 'fuzz', `${name}.ts`);
      const { code, output } = await run('node', ['--import', 'tsx', program, ...args], {
        env,
        allowFailure: true,
        show,
      });
      all[code === 0 ? 'passed' : 'failed'] += 1;
      if (code !== 0) all.output += output;
    }
  } finally {
    await database.stop();
  }
  return all;
}
