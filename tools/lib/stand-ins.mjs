import { fork } from 'node:child_process';
import { join } from 'node:path';
import { bundle } from './bundle.mjs';
import { ROOT } from './paths.mjs';
import { Told } from './progress.mjs';

/** @type {readonly ['scale', 'counter', 'printer']} */
const NAMES = ['scale', 'counter', 'printer'];
/** @type {ReturnType<typeof bundle> | null} */
let bundled = null;
const standIns = () =>
  (bundled ??= bundle(
    'stand-ins',
    Object.fromEntries(NAMES.map((name) => [name, `stand-ins/src/${name}-main.ts`])),
    ['stand-ins/src'],
  ));

/**
 * Starts a simulated device that comes with the demo; it ends with whoever started it.
 * @param {typeof NAMES[number]} name of its program in stand-ins/src, without `-main.ts`
 * @param {...string} args
 * @returns {Promise<{ address: string, meter: string, panel: string, stop: () => Promise<void> }>} where it sends from,
 *   where the line meter beside it does, and where it is turned from where it has a page for that
 */
export async function startStandIn(name, ...args) {
  const { folder } = await standIns();
  const child = fork(join(folder, `${name}.mjs`), args, {
    cwd: ROOT,
    detached: true,
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  const stop = async () => {
    if (child.connected) child.disconnect();
  };
  return new Promise((resolve, reject) => {
    child.on(
      'message',
      (/** @type {{ port: number, meter?: number, panel?: number }} */ { port, meter, panel }) => {
        resolve({
          address: `127.0.0.1:${port}`,
          meter: meter === undefined ? '' : `127.0.0.1:${meter}`,
          panel: panel === undefined ? '' : `http://127.0.0.1:${panel}`,
          stop,
        });
      },
    );
    child.on('exit', () => reject(new Told(`The simulated ${name} did not start.`)));
  });
}
