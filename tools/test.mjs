// npm test: everything that must hold. "npm test -- unit api" runs only the named stages.
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { startDatabase } from './lib/database.mjs';
import { ensurePrograms } from './lib/debian.mjs';
import { startDemoServer } from './lib/demo-server.mjs';
import { atEnd, live } from './lib/lifetime.mjs';
import { ensureNode, ensurePackages } from './lib/packages.mjs';
import { CACHE } from './lib/paths.mjs';
import { say, step, Told } from './lib/progress.mjs';
import { checkBy, testProject, testScreens } from './lib/stages.mjs';
import { checkTestShare } from './lib/test-share.mjs';
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
        'stand-ins',
        'e2e',
        '--config',
        '.dependency-cruiser.cjs',
      ]),
  },
  unused: { what: 'Unused code', work: () => checkBy('npx', ['knip']) },
  share: { what: 'Share of tests', work: () => Promise.resolve(checkTestShare()) },
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
  const projects = [
    'core',
    'core/tsconfig.bench.json',
    'contract',
    'server',
    'demo',
    'stand-ins',
    'e2e',
    'tsconfig.tools.json',
  ];
  const outcomes = [];
  for (const project of projects) outcomes.push(await checkBy('npx', ['tsc', '-p', project]));
  return {
    passed: outcomes.filter(({ failed }) => failed === 0).length,
    failed: outcomes.filter(({ failed }) => failed > 0).length,
    output: outcomes.map(({ output }) => output).join('\n'),
  };
}

async function testApi() {
  const database = await startDatabase(join(CACHE, 'test', 'api', 'database'));
  atEnd(database.stop);
  try {
    return await testProject('api', { YARD_SPOOL_TEST_DATABASE: database.address('yard_spool') });
  } finally {
    await database.stop();
  }
}

async function testJourneys() {
  await ensureWebBuild();
  const demo = await startDemoServer(join(CACHE, 'test', 'journeys'), { port: 0 });
  try {
    const shots = join(CACHE, 'test', 'shots');
    const outcome = await testProject('journeys', {
      YARD_SPOOL_ADDRESS: demo.address,
      YARD_SPOOL_SHOTS: shots,
      YARD_SPOOL_COUNTER_PANEL: demo.counterPanel,
    });
    const tail = existsSync(demo.log) ? readFileSync(demo.log, 'utf8').split('\n').slice(-30).join('\n') : '';
    return outcome.failed > 0
      ? { ...outcome, output: `${outcome.output}\n\nThe server's log ends:\n${tail}` }
      : outcome;
  } finally {
    await demo.stop();
  }
}
