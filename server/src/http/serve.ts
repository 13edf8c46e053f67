import {
  UNREAD_HEADER,
  withHiddenSeen,
  type Person,
  type Route,
  type RouteParts,
} from '@yard-spool/contract';
import type { Request, RequestHandler, Response, Router } from 'express';
import * as v from 'valibot';
import { ProblemError } from '../problem-error';
import { whileAnswering } from '../context/read-once';
import type { OutgoingFile } from '../rack-files/export-rack';
import type { Turn } from '../work/turn';
import { firstTooLong } from './bounds-first';
import { fieldErrors } from '../field-errors';
import { withoutUnfit } from '../fitting';
import { UnfitReply } from './unfit-reply';
import { sendFile } from './send-file';

type Read<S> = S extends v.GenericSchema ? v.InferOutput<S> : undefined;

/** A request after its schema: what a handler gets. */
export interface Asked<P extends RouteParts> {
  readonly params: Read<P['params']>;
  readonly query: Read<P['query']>;
  readonly body: Read<P['body']>;
  readonly request: Request;
  readonly response: Response;
}

/** Who asks, or a refusal. */
export const personOf = (response: Response): Person => {
  const { person } = response.locals as { person?: Person };
  if (!person) throw new ProblemError('not-signed-in', 'Sign in to go on. What you typed is still here.');
  return person;
};

/** Binds a route of the contract to its handler; request and reply are both checked against the contract. */
export function serve<P extends RouteParts>(
  router: Router,
  { method, path, parts }: Route<P>,
  handler: (asked: Asked<P>) => Promise<v.InferInput<P['reply']>>,
): void {
  const handle: RequestHandler = async (request, response) => {
    const asked = {
      params: parts.params && readPart(parts.params, request.params, 'params'),
      query: parts.query && readPart(parts.query, request.query, 'query'),
      body: parts.body && readPart(parts.body, request.body ?? {}, 'body'),
      request,
      response,
    } as Asked<P>;
    // What only asks is answered from one reading of what its rooms share.
    const answer = () => handler(asked);
    const made = hiddenSeen(await (method === 'GET' ? whileAnswering(answer) : answer()));
    const reply = v.safeParse(parts.reply, made);
    if (reply.success) {
      response.json(reply.output);
      return;
    }
    const rest = withoutUnfit(parts.reply, made);
    const route = `${method} ${path}`;
    // The change is made by now: what cannot be told is not said to have been left undone.
    if (!rest) throw new UnfitReply(route, v.getDotPath(reply.issues[0]) ?? 'all of it');
    request.log.error({ route, unfit: rest.unfit }, 'stands in the books and cannot be told');
    response.set(UNREAD_HEADER, String(rest.unfit.length)).json(rest.reply);
  };
  const verbs = { GET: 'get', POST: 'post', PUT: 'put', DELETE: 'delete' } as const;
  router[verbs[method]](path, handle);
}

/** What was stored with characters that nobody sees shows them, before a schema takes them out. */
function hiddenSeen<T>(told: T): T {
  const json = JSON.stringify(told);
  const seen = withHiddenSeen(json);
  return seen === json ? told : (JSON.parse(seen) as T);
}

/** Binds a file of the contract to what makes it; it is sent while it is made. */
export function serveFile<S extends v.GenericSchema>(
  router: Router,
  turnFor: (response: Response) => Turn,
  { path, query }: { readonly path: string; readonly query: S },
  make: (query: v.InferOutput<S>, request: Request, response: Response) => Promise<OutgoingFile>,
): void {
  router.get(path, async (request, response) => {
    const asked = readPart(query, request.query, 'query');
    await turnFor(response)(async () => sendFile(response, await make(asked, request, response)));
  });
}

/** A part of a request by its schema, or a refusal that names each field. */
export function readPart<S extends v.GenericSchema>(
  schema: S,
  value: unknown,
  where: string,
): v.InferOutput<S> {
  const tooLong = firstTooLong(schema, value, where);
  if (tooLong) throw new ProblemError('bad-request', tooLong.message, [tooLong]);
  const parsed = v.safeParse(schema, value);
  if (parsed.success) return parsed.output;
  const errors = fieldErrors(parsed.issues, where);
  throw new ProblemError('bad-request', errors[0]?.message ?? 'This could not be read.', errors);
}
