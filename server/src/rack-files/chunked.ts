import { setImmediate as breathe } from 'node:timers/promises';

/** Rows in one piece: as many as are read back before others are served. */
const PIECE = 500;

/** Many rows as pieces of text: a text goes from a worker to the event loop in no time, an object field by field. */
export function inPieces(rows: readonly unknown[]): string[] {
  const pieces: string[] = [];
  for (let i = 0; i < rows.length; i += PIECE) pieces.push(JSON.stringify(rows.slice(i, i + PIECE)));
  return pieces;
}

/** The rows again, a piece at a time. Times come back as they were. */
export async function fromPieces<T>(pieces: readonly string[]): Promise<T[]> {
  const rows: T[] = [];
  for (const piece of pieces) {
    for (const row of JSON.parse(piece, asTime) as T[]) rows.push(row);
    await breathe();
  }
  return rows;
}

/** The one field of any file that is a time. */
const asTime = (key: string, value: unknown): unknown =>
  key === 'at' && typeof value === 'string' ? new Date(value) : value;
