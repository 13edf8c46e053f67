import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { startDemoServer } from './demo-server.mjs';
import { CACHE } from './paths.mjs';
import { testProject } from './stages.mjs';
import { ensureWebBuild } from './web-build.mjs';

/** Files of journeys that run beside each other, each in a shop of its own. */
const SHOPS = 2;
/** Lines of a server's log that are shown. */
const TAIL = 30;

/** The journeys through the screens, in the real browser. @returns {Promise<import('./stages.mjs').Outcome>} */
export async function testJourneys() {
  await ensureWebBuild();
  /** @type {Awaited<ReturnType<typeof startDemoServer>>[]} */
  const demos = [];
  for (let shop = 1; shop <= SHOPS; shop += 1)
    demos.push(await startDemoServer(join(CACHE, 'test', `journeys-${shop}`), { port: 0 }));
  try {
    const outcome = await testProject('journeys', {
      YARD_SPOOL_SHOPS: String(SHOPS),
      YARD_SPOOL_SHOTS: join(CACHE, 'test', 'shots'),
      ...Object.fromEntries(demos.flatMap((demo, i) => settingsOf(demo, `_${i + 1}`))),
    });
    // A server that fell over and was started again is a failure, though every journey got through.
    const fell = demos.filter((demo) => demo.restarts() > 0);
    const output = [
      outcome.output,
      ...fell.map((demo) => `The server fell over:\n${tailOf(demo)}`),
      ...(outcome.failed > 0 ? demos.map((demo) => `A server's log ends:\n${tailOf(demo)}`) : []),
    ].join('\n\n');
    return { ...outcome, failed: outcome.failed + fell.length, output };
  } finally {
    for (const demo of demos) await demo.stop();
  }
}

/** @param {Awaited<ReturnType<typeof startDemoServer>>} demo @param {string} which */
const settingsOf = (demo, which) => [
  [`YARD_SPOOL_ADDRESS${which}`, demo.address],
  [`YARD_SPOOL_COUNTER_PANEL${which}`, demo.counterPanel],
  [`YARD_SPOOL_PRINTER_PANEL${which}`, demo.printerPanel],
  [`YARD_SPOOL_SERVER_PID${which}`, String(demo.pid() ?? '')],
];

/** @param {{ log: string }} demo */
const tailOf = ({ log }) =>
  existsSync(log) ? readFileSync(log, 'utf8').split('\n').slice(-TAIL).join('\n') : '';
