import { streams } from '@yard-spool/contract';
import type { Router } from 'express';
import * as v from 'valibot';
import { watchRun } from '../bench/watch-run';
import type { ServerContext } from '../context';
import type { BenchCounters } from '../devices/bench-counters';
import { personOf, readPart } from './serve';

/** How often a silent stream says that it is still there, ms. */
const BREATH_MS = 15_000;

/** What happens in a run, as server-sent events: its counter and what is added to its log, from a place on. */
export function liveRoute(router: Router, context: ServerContext, counters: BenchCounters): void {
  const { path, params, query, frame: frameSchema } = streams.watchRun;
  router.get(path, async (request, response) => {
    personOf(response);
    const { id } = readPart(params, request.params, 'params');
    const { from } = readPart(query, request.query, 'query');
    const pending: string[] = [];
    let open = false;
    const write = (text: string): void => {
      if (open) response.write(text);
      else pending.push(text);
    };
    const going = new AbortController();
    let leave: (() => void) | null = null;
    const breath = setInterval(() => {
      if (open) response.write(':\n\n');
    }, BREATH_MS);
    response.on('close', () => {
      going.abort();
      clearInterval(breath);
      leave?.();
    });
    leave = await watchRun(context, counters, { runId: id, after: from }, (frame) => {
      const told = v.safeParse(frameSchema, frame);
      if (told.success) write(`data: ${JSON.stringify(told.output)}\n\n`);
    });
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
    open = true;
    for (const text of pending) response.write(text);
    // Whoever asked may have left while the run was read.
    if (going.signal.aborted) leave();
  });
}
