import type { Request, Response } from 'express';
import type { ServerContext } from '../context/context';
import { noteAudit } from '../people/audit';
import { unit } from '../context/unit';
import { placeOf } from './place';
import { personOf } from './serve';

/** Writes down who took what out of the shop. */
export const noteExport = (
  context: ServerContext,
  request: Request,
  response: Response,
  what: string,
): Promise<void> => {
  const { name } = personOf(response);
  return unit(context, null, (u) => noteAudit(u, 'exported', { name, place: placeOf(request), what }));
};
