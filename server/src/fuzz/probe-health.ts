import { setTimeout as pause } from 'node:timers/promises';

/** How long somebody else may wait for the plainest answer while all of it goes on, ms. */
export const MOST_PROBE_MS = 250;
/** How often it is asked, ms. */
const EACH_MS = 50;

/** What came of asking for the server's health. */
interface Probed {
  /** The longest it took, ms. */
  readonly worst: number;
  /** Why it was not answered, each time. */
  readonly failed: readonly string[];
}

/** Asks for the server's health over and over, as somebody else would; `stop` tells what came of it. */
export function probeHealth(address: string): { readonly stop: () => Promise<Probed> } {
  const going = new AbortController();
  const failed: string[] = [];
  let worst = 0;
  const asking = (async () => {
    while (!going.signal.aborted) {
      const before = performance.now();
      try {
        await fetch(`${address}/api/health`).then((response) => response.arrayBuffer());
      } catch (error) {
        failed.push(error instanceof Error ? `${error.message}: ${String(error.cause)}` : String(error));
      }
      worst = Math.max(worst, performance.now() - before);
      await pause(EACH_MS);
    }
  })();
  return {
    stop: async () => {
      going.abort();
      await asking;
      return { worst, failed };
    },
  };
}
