import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import type { OutgoingFile } from '../rack-files/export-rack';

/**
 * Sends a file as fast as it is taken. What goes wrong before its first piece is refused like any request; after that
 * the connection breaks, so that half a file is never taken for a whole one.
 */
export async function sendFile(response: Response, { name, type, text }: OutgoingFile): Promise<void> {
  const first = await text.next();
  response.attachment(name);
  response.type(`${type}; charset=utf-8`);
  const all = async function* () {
    if (first.done !== true) yield first.value;
    yield* text;
  };
  try {
    await pipeline(Readable.from(all()), response);
  } catch (error) {
    // Who asked has left, or the database has: either way there is nobody to tell any more.
    response.destroy(error instanceof Error ? error : undefined);
  }
}
