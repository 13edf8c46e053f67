import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { Told } from './progress.mjs';

/**
 * @typedef {{
 *   address: string, schemaAddress: string,
 *   devices: { counter: string, meter: string, printer: string },
 * }} Where the database and the devices of the demo are
 * @typedef {{ people: { name: string, passcode: string }[], reels: object[], waiting: { name: string, text: string } }} Loaded
 */

/**
 * Begins to load the demo: what needs no database is worked out while that is started.
 * @param {string} folder of the loader's bundle
 * @param {'seasons' | 'small' | 'kept'} what
 * @returns {(where: Where) => Promise<Loaded>} loads it there
 */
export function beginLoading(folder, what) {
  const child = fork(join(folder, 'main.mjs'), [what], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'pipe', 'ipc'],
  });
  let said = '';
  child.stderr?.on('data', (chunk) => (said = (said + chunk).slice(-6000)));
  /** @type {Promise<Loaded>} */
  const loaded = new Promise((resolve, reject) => {
    child.once('message', (message) => resolve(/** @type {Loaded} */ (message)));
    child.once('exit', () => reject(new Told(`The demo could not be loaded:\n${said.trim()}`)));
  });
  // Whoever waits for it is told; nobody may be yet.
  loaded.catch(() => undefined);
  return (where) => {
    if (child.connected) child.send(where);
    return loaded;
  };
}
