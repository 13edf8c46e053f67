import PQueue from 'p-queue';
import { Tinypool } from 'tinypool';
import { ProblemError } from '../problem-error';
import { workOf, type Task, type Works } from './task';

/** One more than what may take long at once: planning and closing find a free one. */
const MOST_AT_ONCE = 3;
/** How long one piece of work may take, from when it is begun, ms. */
const DEADLINE_MS = 20_000;
/** How long a worker waits for more before it ends, ms. */
const IDLE_MS = 60_000;

let pool: Tinypool | null = null;

/** The functions themselves, where they are computed in this thread. */
let here: Works | null = null;

/** Computes everything in this thread from now on. */
export const computeBy = (works: Works): void => {
  here = works;
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

/** How something is computed. */
export interface Asked {
  /** Memory that is handed over instead of copied; it is gone here afterwards. */
  readonly transferList?: ArrayBuffer[];
  /** Nobody wants it any more. */
  readonly signal?: AbortSignal;
}

/**
 * Computes something beside the event loop, so that counters and other people are served meanwhile.
 *
 * @throws `too-much-work` where it is not done in time; what the signal says where nobody wants it any more. The worker that
 *   had it is ended, and its place is free at once
 */
export async function inWorker<Given, Made>(
  { name }: Task<Given, Made>,
  given: Given,
  { transferList = [], signal: unwanted }: Asked = {},
): Promise<Made> {
  if (here) return (await workOf(here, name)(given as never)) as Made;
  const made: unknown = await turns.add(async (): Promise<unknown> => {
    unwanted?.throwIfAborted();
    const late = AbortSignal.timeout(DEADLINE_MS);
    const signal = unwanted ? AbortSignal.any([late, unwanted]) : late;
    try {
      return await workers().run({ name, given }, { signal, transferList });
    } catch (error) {
      unwanted?.throwIfAborted();
      if (!late.aborted) throw error;
      throw new ProblemError(
        'too-much-work',
        'This takes too long to work out. Nothing was changed: do it in parts.',
      );
    }
  });
  return made as Made;
}
