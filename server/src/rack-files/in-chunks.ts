/** So many at once: building the statement of more would keep everybody else waiting. */
const CHUNK = 250;

/** Writes many rows some at a time. */
export async function inChunks<T>(
  rows: readonly T[],
  write: (chunk: T[]) => Promise<unknown>,
): Promise<void> {
  for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
}
