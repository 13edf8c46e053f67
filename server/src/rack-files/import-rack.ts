import { FILE_COLUMNS, type ImportResult, type Person, type RackImport } from '@yard-spool/contract';
import type { ServerContext } from '../context';
import { unit } from '../unit';
import { readFile } from './read-file';
import { TAKE_IN } from './take-in';

const SHOWN_ERRORS = 200;
const SHOWN_ROWS = 12;

/**
 * Imports a file, or only looks at it. Every row is checked first; while one is wrong nothing is written. What is
 * written is written in one transaction.
 */
export async function importRack(
  context: ServerContext,
  person: Person,
  { what, format, base64, preview }: RackImport,
): Promise<ImportResult> {
  const file = readFile(Buffer.from(base64, 'base64'), what, format);
  return unit(context, person, async (u) => {
    const { errors: found, write } = await TAKE_IN[what](u, file.rows);
    // A row that is not whole is told as that; what its fields would say beside it is noise.
    const torn = new Set(file.errors.map(({ row }) => row));
    const errors = [...file.errors, ...found.filter(({ row }) => !torn.has(row))].sort(
      (a, b) => a.row - b.row,
    );
    const taken = !preview && errors.length === 0 && file.rows.length > 0;
    if (taken) await write();
    return {
      rows: file.rows.length,
      wrongRows: new Set(errors.map(({ row }) => row)).size,
      errors: errors.slice(0, SHOWN_ERRORS),
      sample: file.rows.slice(0, SHOWN_ROWS).map((row) => ({ ...row })),
      columns: [...FILE_COLUMNS[what]],
      taken,
    };
  });
}
