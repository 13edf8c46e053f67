// npm test: everything that must hold. "npm test -- unit api" runs only the named stages, "npm test -- quick" types,
// units and components of what changed.
import { join } from 'node:path';
import { startDatabase } from './lib/database.mjs';
import { ensurePrograms } from './lib/debian.mjs';
import { testJourneys } from './lib/journeys.mjs';
import { live } from './lib/lifetime.mjs';
import { ensureNode, ensurePackages } from './lib/packages.mjs';
import { CACHE, ROOT } from './lib/paths.mjs';
import { say, step, Told } from './lib/progress.mjs';
import { fuzz } from './lib/fuzz.mjs';
import { checkBy, testProject, testScreens } from './lib/stages.mjs';
import { quick } from './lib/quick.mjs';
import { checkTestShare } from './lib/test-share.mjs';
import { checkTypes, PROJECTS } from './lib/types.mjs';
import { ensureWebBuild } from './lib/web-build.mjs';

/**
 * Stages in the order they are told: those of one pair run two at a time, pair by pair. The others run one by one: they
 * use the whole machine themselves.
 * @typedef {{ what: string, pair?: 'files' | 'servers', work: () => Promise<import('./lib/stages.mjs').Outcome> }} Stage
 * @type {Record<string, Stage>}
 */
const STAGES = {
  types: { what: 'Types', pair: 'files', work: () => checkTypes(Object.keys(PROJECTS), 1) },
  lint: { what: 'Lint', pair: 'files', work: () => checkBy('npx', ['eslint', '.']) },
  format: { what: 'Format', pair: 'files', work: () => checkBy('npx', ['prettier', '--check', '.']) },
  direction: {
    what: 'Dependency direction',
    pair: 'files',
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
  unused: { what: 'Unused code', pair: 'files', work: () => checkBy('npx', ['knip']) },
  share: { what: 'Share of tests', pair: 'files', work: () => Promise.resolve(checkTestShare()) },
  unit: { what: 'Core, contract and tools', work: () => testProject('unit') },
  screens: { what: 'Screens, component by component', work: () => testScreens() },
  api: { what: 'Server on a real database', work: testApi },
  fuzz: { what: 'Requests nearly right and nothing like it', pair: 'servers', work: () => fuzz(FUZZ) },
  faults: {
    what: 'Kills and faults',
    pair: 'servers',
    work: async () => {
      await ensureWebBuild();
      return checkBy('node', ['--import', 'tsx', join(ROOT, 'e2e', 'src', 'faults', 'main.ts'), '--short']);
    },
  },
  journeys: { what: 'Journeys in Chromium', work: testJourneys },
};
/** Stages that run only where they are named. @type {Record<string, Stage>} */
const ON_REQUEST = { quick: { what: 'What changed', work: quick } };

/** Requests and rounds of the fuzz in an ordinary run. */
const FUZZ = { count: 3000, rounds: 10, waiting: 60 };

/** Slow tests named at the end. */
const SHOWN = 12;

live(async () => {
  const asked = process.argv.slice(2);
  const unknown = asked.find((name) => !(name in STAGES || name in ON_REQUEST));
  if (unknown !== undefined)
    throw new Told(
      `There is no stage "${unknown}". The stages are ${Object.keys({ ...STAGES, ...ON_REQUEST }).join(', ')}.`,
    );
  ensureNode();
  await ensurePrograms(['mariadb', 'mariadbDefaults', 'chromium', 'chromedriver']);
  await ensurePackages();
  const totals = { passed: 0, failed: 0 };
  /** @type {import('./lib/stages.mjs').Slow[]} */
  const slowest = [];
  const run = async (/** @type {Stage} */ { what, work }) => {
    const { passed, failed, output, slow = [] } = await step(what, work);
    slowest.push(...slow);
    totals.passed += passed;
    totals.failed += failed;
    if (failed > 0) say(`\n${output}\n`);
  };
  const wanted = Object.entries({ ...STAGES, ...ON_REQUEST })
    .filter(([name]) => (asked.length > 0 ? asked.includes(name) : !(name in ON_REQUEST)))
    .map(([, stage]) => stage);
  while (wanted.length > 0) {
    const { pair } = wanted[0] ?? {};
    const end = pair ? wanted.findIndex((stage) => stage.pair !== pair) : 1;
    const beside = wanted.splice(0, end < 0 ? wanted.length : end);
    const worker = async () => {
      for (let stage = beside.shift(); stage; stage = beside.shift()) await run(stage);
    };
    await Promise.all([worker(), worker()]);
  }
  for (const { name, took } of slowest.sort((a, b) => b.took - a.took).slice(0, SHOWN))
    say(`  ${(took / 1000).toFixed(1).padStart(6)} s  ${name}`);
  say(`\n${totals.passed} passed, ${totals.failed} failed`);
  return totals.failed === 0 ? 0 : 1;
});

async function testApi() {
  const database = await startDatabase(join(CACHE, 'test', 'api', 'database'), {
    durable: false,
    tests: true,
  });
  try {
    return await testProject('api', {
      YARD_SPOOL_TEST_DATABASE: database.testsAddress ?? '',
      YARD_SPOOL_TEST_APP: database.address,
      YARD_SPOOL_TEST_SCHEMA: database.schemaAddress,
    });
  } finally {
    await database.stop();
  }
}
