import { Tinypool } from 'tinypool';
import { ProblemError } from '../problem-error';
import type { Tasks } from './tasks';

/** How long one piece of work may take, ms. */
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

/** Workers begin when there is something to do and end when there was nothing for a while. */
const workers = (): Tinypool =>
  (pool ??= new Tinypool({
    filename: new URL('./boot.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: 2,
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
  const signal = AbortSignal.timeout(DEADLINE_MS);
  try {
    return (await workers().run({ name, given }, { signal, transferList })) as Awaited<
      ReturnType<Tasks[Name]>
    >;
  } catch (error) {
    if (!signal.aborted) throw error;
    throw new ProblemError(
      'too-much-work',
      'This takes too long to work out. Nothing was changed: do it in parts.',
    );
  }
}
