import { fork } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './paths.mjs';
import { Told } from './progress.mjs';

/**
 * Starts the simulated bench scale that comes with the demo.
 * @returns {Promise<{ address: string, stop: () => Promise<void> }>}
 */
export function startScale() {
  const child = fork(join(ROOT, 'stand-ins', 'src', 'scale-main.ts'), {
    cwd: ROOT,
    execArgv: ['--import', 'tsx'],
    detached: true,
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  });
  const stop = async () => {
    if (child.connected) child.disconnect();
  };
  return new Promise((resolve, reject) => {
    child.on('message', (/** @type {{ port: number }} */ { port }) => {
      resolve({ address: `127.0.0.1:${port}`, stop });
    });
    child.on('exit', () => reject(new Told('The simulated scale did not start.')));
  });
}
