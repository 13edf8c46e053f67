import { streams, withHiddenSeen, type RunFrame } from '@yard-spool/contract';
import type { Router } from 'express';
import * as v from 'valibot';
import { watchRun } from '../../devices/watch-run';
import type { ServerContext } from '../../context/context';
import type { BenchCounters } from '../../devices/bench-counters';
import { hashToken, personOfToken, SESSIONS_TOPIC } from '../../people/sessions';
import { ProblemError } from '../../problem-error';
import { Listeners } from '../listeners';
import { ownPageOnly } from '../security';
import { tokenOf } from '../session-cookie';
import { personOf, readPart } from '../serve';

/** How often a silent stream says that it is still there, ms. */
const HEARTBEAT_MS = 10_000;

/**
 * What happens in some runs, as server-sent events: their counters and what is added to their logs, from a place on. A run
 * that is not there is told nothing of.
 */
export function liveRoute(router: Router, context: ServerContext, counters: BenchCounters): void {
  const { path, query, frame: frameSchema } = streams.watchRuns;
  const listeners = new Listeners();
  router.get(path, async (request, response) => {
    const { id } = personOf(response);
    ownPageOnly(request);
    const token = tokenOf(request);
    const { runs } = readPart(query, request.query, 'query');
    const leaving = [listeners.enter(hashToken(token), id)];
    const leave = (): void => leaving.splice(0).forEach((go) => go());
    const going = new AbortController();
    /** Ends with whoever listens: signed out, left, over, or idle for too long. */
    const endIfSignedOut = (): void => {
      void personOfToken(context, token)
        .then((person) => person ?? response.end())
        .catch(() => undefined);
    };
    const heartbeat = setInterval(() => {
      response.write('data: heartbeat\n\n');
      endIfSignedOut();
    }, HEARTBEAT_MS);
    context.notifier.on(SESSIONS_TOPIC, endIfSignedOut);
    response.on('close', () => {
      going.abort();
      clearInterval(heartbeat);
      context.notifier.off(SESSIONS_TOPIC, endIfSignedOut);
      leave();
    });
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
    // Said at once: whoever listens knows from then on that the server is there.
    response.write(':\n\n');
    const tell = (run: number, frame: RunFrame): void => {
      const told = v.safeParse(frameSchema, { run, frame });
      if (told.success) response.write(`data: ${withHiddenSeen(JSON.stringify(told.output))}\n\n`);
    };
    for (const { run, from } of runs) {
      try {
        const asked = { runId: run, after: from };
        leaving.push(await watchRun(context, counters, asked, (frame) => tell(run, frame)));
      } catch (error) {
        if (error instanceof ProblemError && error.code === 'not-found') continue;
        // The database is away: whoever asked comes again.
        response.end();
        return;
      }
    }
    // Whoever asked may have left while the runs were read.
    if (going.signal.aborted) leave();
  });
}
