import { existsSync } from 'node:fs';
import { run } from './run.mjs';
import { step, Told } from './progress.mjs';

/** Programs the project needs from Debian, and the package each comes in. */
export const PROGRAMS = {
  mariadb: { file: '/usr/sbin/mariadbd', package: 'mariadb-server-core' },
  // mariadb-install-db asks this one.
  mariadbDefaults: { file: '/usr/bin/my_print_defaults', package: 'mariadb-client-core' },
  chromium: { file: '/usr/bin/chromium', package: 'chromium' },
  chromedriver: { file: '/usr/bin/chromedriver', package: 'chromium-driver' },
};

/**
 * Installs what is missing of the named programs; where that may not be done, says exactly what to run.
 * @param {(keyof typeof PROGRAMS)[]} names
 */
export async function ensurePrograms(names) {
  const missing = names.map((name) => PROGRAMS[name]).filter(({ file }) => !existsSync(file));
  if (missing.length === 0) return;
  const packages = missing.map((program) => program.package);
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) {
    throw new Told(
      `These programs are missing: ${packages.join(', ')}.\nOn Debian 12 run this once, then start again:\n\n` +
        `  sudo apt-get update && sudo apt-get install -y --no-install-recommends ${packages.join(' ')}\n`,
    );
  }
  const quiet = { env: { DEBIAN_FRONTEND: 'noninteractive' } };
  // An installation that was killed half-way is put right first.
  await run('dpkg', ['--configure', '-a'], { ...quiet, allowFailure: true });
  await step('Reading Debian’s package list', () => run('apt-get', ['update', '-q'], quiet));
  await step(
    `Installing ${packages.join(', ')} from Debian`,
    () => run('apt-get', ['install', '-y', '-q', '--no-install-recommends', ...packages], quiet),
    'once, a minute or two',
  );
}
