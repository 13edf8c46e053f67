import type { RunFrame } from '@yard-spool/contract';
import type { RunEvent } from '@yard-spool/core';
import type { ServerContext } from '../context/context';
import { counterTopic } from './bench-counter';
import type { BenchCounters } from './bench-counters';
import { ProblemError } from '../problem-error';
import { readLog, runTopic } from '../bench/run-log';

type Tell = (frame: RunFrame) => void;

/**
 * Tells what is added to a run's log from a place on, and what the counter of its bench says, wherever the run is taken,
 * until what is returned is called.
 *
 * @param after the last place that is known already
 */
export async function watchRun(
  context: ServerContext,
  counters: BenchCounters,
  { runId, after }: { readonly runId: number; readonly after: number },
  tell: Tell,
): Promise<() => void> {
  const { notifier } = context;
  const run = await context.tables.runs.findByPk(runId);
  if (!run) throw new ProblemError('not-found', `There is no run ${String(runId)}.`);
  let { benchId } = run;
  let last = after;
  let telling = Promise.resolve();
  const tellCounter = (): void => tell({ kind: 'counter', counter: counters.frameFor(runId, benchId) });
  const at = (bench: number): void => {
    notifier.off(counterTopic(benchId), tellCounter);
    benchId = bench;
    notifier.on(counterTopic(benchId), tellCounter);
    tellCounter();
  };
  const tellEvents = (events: readonly RunEvent[]): void => {
    const fresh = events.filter(({ seq }) => seq > last);
    last = fresh.at(-1)?.seq ?? last;
    if (fresh.length > 0) tell({ kind: 'log', events: fresh });
    const moved = fresh.findLast((event) => event.kind === 'taken-up')?.payload.benchId;
    if (moved !== undefined && moved !== benchId) at(moved);
  };
  /** What was added is told as it is; where something before it was missed, the log is read. */
  const hear = (added: readonly RunEvent[]): void => {
    telling = telling
      .then(async () => {
        const whole = added[0]?.seq === last + 1;
        tellEvents(whole ? added : await readLog(context, runId, last + 1));
      })
      .catch(() => undefined);
  };
  notifier.on(runTopic(runId), hear);
  at(benchId);
  hear([]);
  return () => {
    notifier.off(runTopic(runId), hear);
    notifier.off(counterTopic(benchId), tellCounter);
  };
}
