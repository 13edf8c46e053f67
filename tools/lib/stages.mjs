import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { CACHE, ROOT } from './paths.mjs';
import { run } from './run.mjs';

/** What a stage found: how many checks passed and failed, and what to show where some did. */
/** @typedef {{ passed: number, failed: number, output: string, slow?: Slow[] }} Outcome */
/** A test and how long it took, ms. */
/** @typedef {{ name: string, took: number }} Slow */

/**
 * A stage that is one program: passed or failed as a whole.
 * @param {string} command @param {string[]} args @returns {Promise<Outcome>}
 */
export async function checkBy(command, args) {
  const { code, output } = await run(command, args, { allowFailure: true });
  return { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1, output };
}

/**
 * A stage of Vitest: every test counts.
 * @param {string} name @param {Record<string, string>} [env] @param {string[]} [more] @returns {Promise<Outcome>}
 */
export async function testProject(name, env = {}, more = []) {
  const report = join(CACHE, `${name}.json`);
  prepareReport(report);
  const args = [
    'vitest',
    'run',
    '--project',
    name,
    '--reporter=json',
    `--outputFile=${report}`,
    '--reporter=dot',
    ...more,
  ];
  const { code, output } = await run('npx', args, { env, allowFailure: true });
  return readReport(report, code, output);
}

/**
 * The component tests, through Angular's own builder; of some folders only, where they are named.
 * @param {string[]} [only] @returns {Promise<Outcome>}
 */
export async function testScreens(only = []) {
  const report = join(CACHE, 'screens.json');
  prepareReport(report);
  const args = ['ng', 'test', 'web', '--reporters', 'json', '--output-file', report];
  for (const specs of only) args.push('--include', specs);
  const { code, output } = await run('npx', args, {
    env: { NG_CLI_ANALYTICS: 'false', CI: 'true', VITEST_MAX_WORKERS: String(availableParallelism()) },
    allowFailure: true,
  });
  return readReport(report, code, output);
}

/** @param {string} report */
function prepareReport(report) {
  mkdirSync(CACHE, { recursive: true });
  rmSync(report, { force: true });
}

/** @param {string} report @param {number} code @param {string} output @returns {Outcome} */
function readReport(report, code, output) {
  let numbers;
  try {
    numbers = JSON.parse(readFileSync(report, 'utf8'));
  } catch {
    return {
      passed: 0,
      failed: 1,
      output: `The tests did not run:\n${output.split('\n').slice(-60).join('\n')}`,
    };
  }
  const { numPassedTests: passed, numFailedTests: failed, testResults } = numbers;
  const messages = testResults.flatMap((/** @type {any} */ file) => [
    ...(file.status === 'failed' && file.assertionResults.length === 0
      ? [`${file.name}\n${file.message}`]
      : []),
    ...file.assertionResults
      .filter((/** @type {any} */ test) => test.status === 'failed')
      .map(
        (/** @type {any} */ test) =>
          `${file.name.replace(`${ROOT}/`, '')}\n${test.fullName}\n${test.failureMessages.join('\n')}`,
      ),
  ]);
  // A file that cannot even be read, or an error between tests, has no test of its own to fail.
  const beside = code !== 0 && failed === 0 ? 1 : 0;
  return {
    passed,
    failed: failed + beside,
    output: messages.join('\n\n') || output,
    slow: slowest(testResults),
  };
}

/** Tests that take longer than this are named, ms. */
const SLOW = 5000;

/** @param {{ name: string, assertionResults: { fullName: string, duration?: number | null }[] }[]} files @returns {Slow[]} */
const slowest = (files) =>
  files
    .flatMap(({ name, assertionResults }) =>
      assertionResults.map(({ fullName, duration }) => ({
        name: `${name.replace(`${ROOT}/`, '')}: ${fullName}`,
        took: duration ?? 0,
      })),
    )
    .filter(({ took }) => took > SLOW)
    .sort((a, b) => b.took - a.took);
