import { setTimeout as pause } from 'node:timers/promises';

/** The first wait before something is started again, and the longest, ms. */
const FIRST_MS = 400;
const LONGEST_MS = 15_000;
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
 * }} of what it is called, how it is started, what tells that it ended, and how it is ended
 * @returns {Promise<{ running: () => T | null, stop: () => Promise<void>, restarts: () => number }>}
 */
export async function keepUp({ what, start, ended, stop, tell = () => undefined }) {
  let stopping = false;
  let restarts = 0;
  /** @type {T | null} */
  let running = await start();
  const loop = async () => {
    let wait = FIRST_MS;
    let since = Date.now();
    for (;;) {
      if (running !== null) await ended(running);
      if (stopping) return;
      running = null;
      wait = Date.now() - since > SOUND_MS ? FIRST_MS : wait;
      tell(`${what} ended by itself and is started again.`);
      await pause(wait);
      wait = Math.min(LONGEST_MS, 2 * wait);
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
