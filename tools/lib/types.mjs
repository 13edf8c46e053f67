import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { CACHE } from './paths.mjs';
import { checkBy } from './stages.mjs';

/** Every folder with types of its own, and the folders it is built on. @type {Record<string, string[]>} */
export const PROJECTS = {
  core: [],
  'core/tsconfig.bench.json': ['core'],
  contract: ['core'],
  server: ['core', 'contract'],
  demo: ['core', 'contract', 'server'],
  'stand-ins': ['contract'],
  e2e: ['core', 'contract'],
  'web/tsconfig.sw.json': ['web/sw'],
  'tsconfig.tools.json': ['tools'],
};

/**
 * Checks the types of some folders, some at a time. What was checked before and has not changed is not read again.
 * @param {string[]} projects @param {number} atOnce @returns {Promise<import('./stages.mjs').Outcome>}
 */
export async function checkTypes(projects, atOnce = 2) {
  const folder = join(CACHE, 'types');
  mkdirSync(folder, { recursive: true });
  const waiting = [...projects];
  /** @type {import('./stages.mjs').Outcome[]} */
  const outcomes = [];
  const worker = async () => {
    for (let project = waiting.shift(); project !== undefined; project = waiting.shift()) {
      const known = join(folder, `${project.replaceAll(/\W/g, '-')}.tsbuildinfo`);
      outcomes.push(
        await checkBy('npx', ['tsc', '-p', project, '--incremental', '--tsBuildInfoFile', known]),
      );
    }
  };
  await Promise.all(Array.from({ length: atOnce }, worker));
  return {
    passed: outcomes.filter(({ failed }) => failed === 0).length,
    failed: outcomes.filter(({ failed }) => failed > 0).length,
    output: outcomes.map(({ output }) => output).join('\n'),
  };
}
