import { createHash } from 'node:crypto';
import { makesOnce, ONCE_HEADER, OnceKeySchema } from '@yard-spool/contract';
import type { Request, RequestHandler, Response } from 'express';
import type { ServerContext } from '../context/context';
import { askedOnce, DONE_BEFORE, type OnceAsked } from '../context/once';
import { ProblemError } from '../problem-error';
import { unit } from '../context/unit';
import { personOf, readPart } from './serve';

const hash = (...parts: readonly (string | Uint8Array)[]): string => {
  const made = createHash('sha256');
  for (const part of parts) made.update(part).update('\0');
  return made.digest('hex');
};

/**
 * Answers a request that was answered before as it was then, by its key: it is kept in the same change as what the request
 * made. One that comes while the first is under way waits for it.
 */
export function onlyOnce(context: ServerContext): RequestHandler {
  const underWay = new Map<string, Promise<void>>();
  return async (request, response, next) => {
    const sent = request.get(ONCE_HEADER);
    if (sent === undefined || !makesOnce({ method: request.method, path: request.path })) {
      next();
      return;
    }
    const key = readPart(OnceKeySchema, sent, ONCE_HEADER);
    const once = {
      keyHash: hash(String(personOf(response).id), key),
      askedHash: askedHash(request),
      kept: false,
    };
    for (let before = underWay.get(once.keyHash); before; before = underWay.get(once.keyHash)) await before;
    underWay.set(
      once.keyHash,
      ended(response, () => underWay.delete(once.keyHash)),
    );
    const kept = await context.tables.answeredRequests.findByPk(once.keyHash);
    if (kept && kept.askedHash !== once.askedHash)
      throw new ProblemError('bad-request', 'This key was sent with another request. Send a new one.');
    if (kept?.reply != null) {
      response.type('application/json').send(kept.reply);
      return;
    }
    if (kept) throw new ProblemError('already-exists', DONE_BEFORE);
    keepAnswer(context, once, response);
    askedOnce(once, next);
  };
}

/** Settles once a response is written or given up, whether anybody still waits for it or not. */
function ended(response: Response, then: () => void): Promise<void> {
  return new Promise((resolve) => {
    const end = response.end.bind(response) as (...given: unknown[]) => Response;
    response.end = ((...given: unknown[]) => {
      then();
      resolve();
      return end(...given);
    }) as typeof response.end;
  });
}

/** Keeps what is answered; where the request is refused nothing was made, and it may be asked again. */
function keepAnswer(context: ServerContext, once: OnceAsked, response: Response): void {
  const send = response.send.bind(response);
  response.send = (body: unknown) => {
    response.send = send;
    void settle(context, once, response.statusCode < 300 ? String(body) : null, response.statusCode)
      // Where the answer cannot be kept the same request is told that it was asked before.
      .catch(() => undefined)
      .then(() => send(body));
    return response;
  };
}

async function settle(
  context: ServerContext,
  { keyHash, kept }: OnceAsked,
  reply: string | null,
  status: number,
): Promise<void> {
  // Nothing was changed: asked again, it is looked at again. What went wrong on the way may have been done.
  if (!kept || status >= 500) return;
  await unit(context, null, async ({ tables }) => {
    if (reply === null) await tables.answeredRequests.removeAll({ keyHash });
    else await tables.answeredRequests.changeAll({ reply }, { keyHash });
  });
}

function askedHash({ method, originalUrl, body }: Request): string {
  const brought = body instanceof Uint8Array ? body : JSON.stringify(body ?? null);
  return hash(method, originalUrl, brought);
}
