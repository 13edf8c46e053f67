import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';
import type { OutgoingFile } from '../rack-files/export-rack';

/** How long whoever asked for a file may take nothing of it before it is no longer sent, ms. */
const PATIENCE_MS = 60_000;

/** Gives up sending to somebody who takes nothing any more: others wait for the same turn. */
export const untilItTakesNothing = (response: Response): void => {
  response.setTimeout(PATIENCE_MS, () => response.destroy());
};

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
  untilItTakesNothing(response);
  try {
    await pipeline(Readable.from(all()), response);
  } catch (error) {
    // Who asked has left, or the database has: either way there is nobody to tell any more.
    response.destroy(error instanceof Error ? error : undefined);
  }
}
