import PQueue from 'p-queue';
import { Tinypool } from 'tinypool';
import { ProblemError } from '../problem-error';
import type { Tasks } from './tasks';

/** One more than what may take long at once: planning and closing find a free one. */
const MOST_AT_ONCE = 3;
/** How long one piece of work may take, from when it is begun, ms. */
const DEADLINE_MS = 20_000;
/** How long a worker waits for more before it ends, ms. */
const IDLE_MS = 60_000;

let pool: Tinypool | null = null;
/** The tasks themselves, where they are computed in this thread. */
let here: Tasks | null = null;

/** Computes everything in this thread from now on: for a program that serves nobody, as one that loads a scenario. */
export const computeHere = async (): Promise<void> => {
  here = (await import('./tasks')).TASKS;
};

/** What waits for a worker has not begun: its time does not run. */
const turns = new PQueue({ concurrency: MOST_AT_ONCE });

/** Workers begin when there is something to do and end when there was nothing for a while. */
const workers = (): Tinypool =>
  (pool ??= new Tinypool({
    filename: new URL('./boot.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: MOST_AT_ONCE,
    idleTimeout: IDLE_MS,
  }));

/**
 * Computes something beside the event loop, so that counters and other people are served meanwhile.
 *
 * @param transferList memory that is handed over instead of copied; it is gone here afterwards
 * @throws `too-much-work` where it is not done in time; the worker that had it is ended
 */
export async function inWorker<Name extends keyof Tasks>(
  name: Name,
  given: Parameters<Tasks[Name]>[0],
  transferList: ArrayBuffer[] = [],
): Promise<Awaited<ReturnType<Tasks[Name]>>> {
  if (here) return (await here[name](given as never)) as Awaited<ReturnType<Tasks[Name]>>;
  const made: unknown = await turns.add(async (): Promise<unknown> => {
    const signal = AbortSignal.timeout(DEADLINE_MS);
    try {
      return await workers().run({ name, given }, { signal, transferList });
    } catch (error) {
      if (!signal.aborted) throw error;
      throw new ProblemError(
        'too-much-work',
        'This takes too long to work out. Nothing was changed: do it in parts.',
      );
    }
  });
  return made as Awaited<ReturnType<Tasks[Name]>>;
}
