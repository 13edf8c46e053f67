// npm test: everything that must hold. "npm test -- unit api" runs only the named stages.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { startDatabase } from './lib/database.mjs';
import { ensurePrograms } from './lib/debian.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { ensureNode, ensurePackages } from './lib/packages.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { say, step, Told } from './lib/progress.mjs';
import { run } from './lib/run.mjs';
import { startServer } from './lib/server.mjs';
import { checkBy, testProject, testScreens } from './lib/stages.mjs';
import { ensureWebBuild } from './lib/web-build.mjs';

/** @type {Record<string, { what: string, work: () => Promise<import('./lib/stages.mjs').Outcome> }>} */
const STAGES = {
  format: { what: 'Format', work: () => checkBy('npx', ['prettier', '--check', '.']) },
  lint: { what: 'Lint', work: () => checkBy('npx', ['eslint', '.']) },
  types: { what: 'Types', work: checkTypes },
  direction: {
    what: 'Dependency direction',
    work: () =>
      checkBy('npx', [
        'depcruise',
        'core',
        'contract',
        'server',
        'web/src',
        'demo',
        'e2e',
        '--config',
        '.dependency-cruiser.cjs',
      ]),
  },
  unused: { what: 'Unused code', work: () => checkBy('npx', ['knip']) },
  unit: { what: 'Core and contract', work: () => testProject('unit') },
  screens: { what: 'Screens, component by component', work: testScreens },
  api: { what: 'Server on a real database', work: testApi },
  journeys: { what: 'Journeys in Chromium', work: testJourneys },
};

live(async () => {
  const asked = process.argv.slice(2);
  const unknown = asked.find((name) => !(name in STAGES));
  if (unknown !== undefined)
    throw new Told(`There is no stage "${unknown}". The stages are ${Object.keys(STAGES).join(', ')}.`);
  ensureNode();
  await ensurePrograms(['mariadb', 'mariadbDefaults', 'chromium', 'chromedriver']);
  await ensurePackages();
  const totals = { passed: 0, failed: 0 };
  for (const [name, { what, work }] of Object.entries(STAGES)) {
    if (asked.length > 0 && !asked.includes(name)) continue;
    const { passed, failed, output } = await step(what, work);
    totals.passed += passed;
    totals.failed += failed;
    if (failed > 0) say(`\n${output}\n`);
  }
  say(`\n${totals.passed} passed, ${totals.failed} failed`);
  return totals.failed === 0 ? 0 : 1;
});

async function checkTypes() {
  const projects = ['core', 'contract', 'server', 'demo', 'e2e', 'tsconfig.tools.json'];
  const outcomes = [];
  for (const project of projects) outcomes.push(await checkBy('npx', ['tsc', '-p', project]));
  return {
    passed: outcomes.filter(({ failed }) => failed === 0).length,
    failed: outcomes.filter(({ failed }) => failed > 0).length,
    output: outcomes.map(({ output }) => output).join('\n'),
  };
}

/** @param {string} name */
async function testDatabase(name) {
  const folder = join(CACHE, 'test', name);
  mkdirSync(folder, { recursive: true });
  const database = await startDatabase(join(folder, 'database'));
  atEnd(database.stop);
  return { folder, database };
}

async function testApi() {
  const { database } = await testDatabase('api');
  try {
    return await testProject('api', { YARD_SPOOL_TEST_DATABASE: database.address('yard_spool') });
  } finally {
    await database.stop();
  }
}

async function testJourneys() {
  await ensureWebBuild();
  rmSync(join(CACHE, 'test', 'journeys', 'database'), { recursive: true, force: true });
  const { folder, database } = await testDatabase('journeys');
  const address = database.address('yard_spool');
  const people = join(folder, 'people.json');
  const log = join(folder, 'server.log');
  rmSync(log, { force: true });
  await run('node', ['--import', 'tsx', join(ROOT, 'demo', 'src', 'main.ts'), people], {
    env: { YARD_SPOOL_DATABASE: address },
  });
  const server = await startServer({
    database: address,
    log,
    port: 0,
    demoPeople: JSON.parse(readFileSync(people, 'utf8')),
  });
  atEnd(server.stop);
  try {
    const outcome = await testProject('journeys', {
      YARD_SPOOL_ADDRESS: server.address,
      YARD_SPOOL_SHOTS: join(CACHE, 'test', 'shots'),
    });
    const tail = existsSync(log) ? readFileSync(log, 'utf8').split('\n').slice(-30).join('\n') : '';
    return outcome.failed > 0
      ? { ...outcome, output: `${outcome.output}\n\nThe server's log ends:\n${tail}` }
      : outcome;
  } finally {
    await server.stop();
    await database.stop();
  }
}
