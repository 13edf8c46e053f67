import express, { type RequestHandler } from 'express';
import { ProblemError } from '../problem-error';

/** What may be asked by nobody in particular. */
const OPEN = /^\/((sign-in|session|health)(\/|$)|calendar\/.)/;

/** The most a request may bring, by its path; what is not named brings a form somebody filled in. */
const LIMITS: readonly (readonly [path: RegExp, limit: string])[] = [
  [/^\/runs\/\d+\/events$/, '512kb'],
  [/^\/(bags|jobs)(\/|$)/, '512kb'],
];
const FORM = '64kb';
/** A file comes as the bytes it is: making text and objects of them takes long, and is done in a worker. */
const FILES = /^\/(?:rack-files|stock-lists)$/;
const bytes: RequestHandler = express.raw({ type: 'application/json', limit: '4500kb' });
/** Nobody signs in with more. */
const STRANGER = '4kb';

const readers = new Map<string, RequestHandler>();
const reader = (limit: string): RequestHandler => {
  const known = readers.get(limit) ?? wholeJson(limit);
  readers.set(limit, known);
  return known;
};

/** Reads JSON without halves of characters: they can be written in it as escapes, and no database takes them. */
function wholeJson(limit: string): RequestHandler {
  const mayHave = new WeakSet<object>();
  const json: RequestHandler = express.json({
    limit,
    verify: (request, _response, bytes) => {
      if (bytes.includes('\\ud') || bytes.includes('\\uD')) mayHave.add(request);
    },
  });
  return (request, response, next) => {
    json(request, response, (error?: unknown) => {
      if (error === undefined && mayHave.has(request)) request.body = whole(request.body);
      next(error);
    });
  };
}

const HALVES = /\p{Cs}/gu;
function whole(value: unknown): unknown {
  if (typeof value === 'string') return value.replace(HALVES, '');
  if (Array.isArray(value)) return value.map(whole);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key.replace(HALVES, ''), whole(one)]));
}

/** Reads what a request brings, once it is known who brings it: a stranger's megabytes are never looked at. */
export const readBody: RequestHandler = (request, response, next) => {
  if (!response.locals.person) {
    if (!OPEN.test(request.path))
      next(new ProblemError('not-signed-in', 'Sign in to go on. What you typed is still here.'));
    else reader(STRANGER)(request, response, next);
    return;
  }
  if (FILES.test(request.path)) {
    bytes(request, response, next);
    return;
  }
  const limit = LIMITS.find(([path]) => path.test(request.path))?.[1] ?? FORM;
  reader(limit)(request, response, next);
};
