import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './paths.mjs';

/** A hash of all files below some of the project's paths, tests left out: the same wherever the folder lies. @param {readonly string[]} paths */
export function fingerprintOf(paths) {
  const hash = createHash('sha256');
  for (const file of paths.flatMap((path) => filesBelow(join(ROOT, path))).sort()) {
    hash.update(relative(ROOT, file)).update('\0').update(readFileSync(file));
  }
  return hash.digest('hex');
}

/** @param {string} path @returns {string[]} */
function filesBelow(path) {
  if (!existsSync(path)) return [];
  try {
    return readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
      entry.name === 'node_modules' || /\.(?:spec|test)\.ts$/.test(entry.name)
        ? []
        : filesBelow(join(path, entry.name)),
    );
  } catch {
    return [path];
  }
}
