import { Worker } from 'node:worker_threads';
import type { Simulate } from './make';
import type { PastFill } from './simulate';

/** Simulates in a worker while whoever asked goes on. One: what waits for it meanwhile needs the other processor. */
export const inWorker =
  (worker: URL): Simulate =>
  (asked) =>
    new Promise<readonly (PastFill | null)[]>((resolve, reject) => {
      const thread = new Worker(worker, { workerData: asked });
      thread.once('message', resolve);
      thread.once('error', reject);
      thread.once('exit', (code) => {
        reject(new Error(`Simulating the seasons ended with ${String(code)}.`));
      });
    });
