import { dirname } from 'node:path';
import { run } from './run.mjs';
import { testProject, testScreens } from './stages.mjs';
import { checkTypes, PROJECTS } from './types.mjs';

/** @typedef {import('./stages.mjs').Outcome} Outcome */

/** Files changed since the last commit; of the last commit itself where nothing is. @returns {Promise<{ base: string, files: string[] }>} */
async function changed() {
  const lines = async (/** @type {string[]} */ args) =>
    (await run('git', args)).output.split('\n').filter((line) => /^[\w.-]+[/\w.-]*$/.test(line));
  const now = [
    ...(await lines(['diff', '--name-only', 'HEAD'])),
    ...(await lines(['ls-files', '--others', '--exclude-standard'])),
  ];
  if (now.length > 0) return { base: 'HEAD', files: now };
  return { base: 'HEAD~1', files: await lines(['diff', '--name-only', 'HEAD~1']) };
}

/** Types, unit tests and component tests of what changed. @returns {Promise<Outcome>} */
export async function quick() {
  const { base, files } = await changed();
  const rooms = new Set(files.map((file) => file.split('/')[0] ?? ''));
  const projects = Object.entries(PROJECTS)
    .filter(([name, on]) => [name.split('/')[0] ?? '', ...on].some((room) => rooms.has(room)))
    .map(([name]) => name);
  const folders = files
    .filter((file) => file.startsWith('web/src/'))
    .map((file) => dirname(file).slice('web/'.length));
  const outcomes = [
    await checkTypes(
      rooms.has('web') ? [...projects, 'web/tsconfig.app.json', 'web/tsconfig.spec.json'] : projects,
    ),
    await testProject('unit', {}, ['--changed', base, '--passWithNoTests']),
    ...(folders.length > 0
      ? [await testScreens([...new Set(folders)].map((folder) => `${folder}/*.spec.ts`))]
      : []),
  ];
  return {
    passed: outcomes.reduce((sum, { passed }) => sum + passed, 0),
    failed: outcomes.reduce((sum, { failed }) => sum + failed, 0),
    output: outcomes
      .filter(({ failed }) => failed > 0)
      .map(({ output }) => output)
      .join('\n\n'),
    slow: outcomes.flatMap(({ slow = [] }) => slow),
  };
}
