import { FILE_COLUMNS, type ImportResult, type Person } from '@yard-spool/contract';
import { counted } from '@yard-spool/core';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { noteAudit } from '../people/audit';
import { ProblemError } from '../problem-error';
import { inWorker } from '../work/in-worker';
import type { Checked } from './check-rows';
import { fromPieces } from './chunked';
import { READ_FILE, SHOWN_ERRORS, type FileRows } from './read-rows';
import { takeIn } from './take-in';

/**
 * Imports a file, or only looks at it. Every row is checked first; while one is wrong nothing is written. What is
 * written is written in one transaction.
 *
 * @param body the request as it came, with the file in it
 */
export async function importRack(
  context: ServerContext,
  person: Person,
  body: Uint8Array,
  place: string,
): Promise<ImportResult> {
  // Read beside the event loop: a file of 20,000 rows takes a second.
  const { buffer } = body;
  const own = buffer instanceof ArrayBuffer && buffer.byteLength === body.byteLength ? [buffer] : [];
  const file = await inWorker(READ_FILE, body, { transferList: own });
  if (!file.ok)
    throw new ProblemError('bad-request', file.errors[0]?.message ?? 'This could not be read.', file.errors);
  const { what, preview, rows } = file;
  const good = await fromPieces<Checked<FileRows[typeof what]>>(file.good);
  return unit(context, person, async (u) => {
    const { errors: found, write } = await takeIn(u, what, good);
    const errors = [...file.errors, ...found].sort((a, b) => a.row - b.row);
    const taken = !preview && errors.length === 0 && rows > 0;
    if (taken) {
      await write();
      await noteAudit(u, 'imported', { name: person.name, place, what: `${what}, ${counted(rows, 'row')}` });
    }
    return {
      rows,
      // Rows that are wrong by themselves are none of the good ones.
      wrongRows: file.wrongRows + new Set(found.map(({ row }) => row)).size,
      errors: errors.slice(0, SHOWN_ERRORS),
      sample: file.sample.map((row) => ({ ...row })),
      columns: [...FILE_COLUMNS[what]],
      taken,
    };
  });
}
