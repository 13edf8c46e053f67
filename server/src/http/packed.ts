import compression from 'compression';
import type { Request, RequestHandler, Response } from 'express';

/** What is told at once is worth packing; the live stream is told as it happens, and a file as it is made. */
const isToldAtOnce = (_request: Request, response: Response): boolean =>
  response.getHeader('content-disposition') === undefined &&
  /^(?:application\/(?:problem\+)?json|text\/html)/.test(String(response.getHeader('content-type')));

/** Packs answers on their way. What was packed before, like the screens, goes as it is. */
export const packed: RequestHandler = compression({ filter: isToldAtOnce });
