import type { Reading } from '../context/context';

/** Codes asked for at once. */
const AT_ONCE = 1000;

/** Those of some codes that are on the books, with their numbers; read bare, since there may be thousands. */
export async function idsByCode(
  { query }: Pick<Reading, 'query'>,
  of: 'products' | 'pieces',
  codes: readonly string[],
): Promise<Map<string, number>> {
  const found = new Map<string, number>();
  const wanted = [...new Set(codes)];
  for (let i = 0; i < wanted.length; i += AT_ONCE) {
    const rows = await query<{ id: number; code: string }>(
      `SELECT id, code FROM ${of} WHERE code IN (:codes)`,
      {
        codes: wanted.slice(i, i + AT_ONCE),
      },
    );
    for (const { id, code } of rows) found.set(code, id);
  }
  return found;
}
