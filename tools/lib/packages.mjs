import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { step, Told } from './progress.mjs';
import { run } from './run.mjs';

/** Versions of Node.js it is tried on, each from which of them on. */
const LEAST_MINOR = new Map([
  [20, 19],
  [22, 12],
  [24, 0],
]);
const STAMP = join(ROOT, 'node_modules', '.yard-spool-lock');

/** Checks the version of Node.js before anything else is tried. */
export function ensureNode() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (minor >= (LEAST_MINOR.get(major) ?? Infinity)) return;
  throw new Told(
    `Yard Spool runs on Node.js 20.19, 22.12 or 24, or a later one of these; this is ${process.versions.node}.`,
  );
}

/** Installs the npm packages of the lock file, unless just those are installed. */
export async function ensurePackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lock) return;
  await step(
    'Installing npm packages',
    () => run('npm', ['ci', '--no-audit', '--no-fund']),
    'once, a minute or two',
  );
  writeFileSync(STAMP, lock);
}
