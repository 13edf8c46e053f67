import { setTimeout as pause } from 'node:timers/promises';

/** How long somebody else may wait for the plainest answer while all of it goes on, ms. */
export const MOST_PROBE_MS = 250;
/** How often it is asked, ms. */
const EACH_MS = 50;

/** Asks for the server's health over and over, as somebody else would; `stop` gives the longest it took, ms. */
export function probeHealth(address: string): { readonly stop: () => Promise<number> } {
  let going = true;
  let worst = 0;
  const asking = (async () => {
    while (going) {
      const before = performance.now();
      await fetch(`${address}/api/health`).then((response) => response.arrayBuffer());
      worst = Math.max(worst, performance.now() - before);
      await pause(EACH_MS);
    }
  })();
  return {
    stop: async () => {
      going = false;
      await asking;
      return worst;
    },
  };
}
