import { setTimeout as waiting } from 'node:timers/promises';

/**
 * The first wait before something is started again, ms; the longest for what does start and is ended again and again, as
 * by somebody who kills it; and for what does not start.
 */
const FIRST_MS = 400;
const LONGEST_MS = { started: 1500, not: 15_000 };
/** What ran this long began well: the next start after it is at once again, ms. */
const SOUND_MS = 60_000;

/**
 * Keeps something running: what ends by itself is started again, the sooner the longer it ran.
 * @template T
 * @param {{
 *   what: string,
 *   start: () => Promise<T>,
 *   ended: (running: T) => Promise<unknown>,
 *   stop: (running: T) => Promise<void>,
 *   tell?: (line: string) => void,
 *   wait?: (ms: number) => Promise<unknown>,
 * }} of what it is called, how it is started, what tells that it ended, how it is ended, and how long is waited between
 * @returns {Promise<{ running: () => T | null, stop: () => Promise<void>, restarts: () => number }>}
 */
export async function keepUp({ what, start, ended, stop, tell = () => undefined, wait: pause = waiting }) {
  let stopping = false;
  let restarts = 0;
  /** @type {T | null} */
  let running = await start();
  const loop = async () => {
    let wait = FIRST_MS;
    let since = Date.now();
    for (;;) {
      const longest = running === null ? LONGEST_MS.not : LONGEST_MS.started;
      if (running !== null) await ended(running);
      if (stopping) return;
      running = null;
      wait = Date.now() - since > SOUND_MS ? FIRST_MS : wait;
      tell(`${what} ended by itself and is started again.`);
      await pause(Math.min(longest, wait));
      wait = Math.min(longest, 2 * wait);
      if (stopping) return;
      since = Date.now();
      restarts += 1;
      running = await start().catch((/** @type {unknown} */ error) => {
        tell(error instanceof Error ? error.message : String(error));
        return null;
      });
      // It may have been told to end while it was being started.
      if (stopping && running !== null) return stop(running);
    }
  };
  const looping = loop();
  return {
    running: () => running,
    restarts: () => restarts,
    stop: async () => {
      stopping = true;
      if (running !== null) await stop(running);
      await looping;
    },
  };
}
