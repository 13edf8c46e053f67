import type { Person, StockListFound } from '@yard-spool/contract';
import { counted, type Material } from '@yard-spool/core';
import type { ServerContext } from '../context/context';
import { unit } from '../context/unit';
import { noteAudit } from '../people/audit';
import { ProblemError } from '../problem-error';
import { readHouseRules } from '../shop/read-house-rules';
import { inWorker } from '../work/in-worker';
import { SHOWN_ERRORS } from './read-rows';
import { READ_STOCK } from './read-stock-list';
import { takePieces, takeProducts } from './take-in';

/**
 * Imports a shop's own stock list, or only looks at it: its lines and its pieces in one go. While a row is wrong nothing is
 * written; what is written is written in one transaction.
 *
 * @param body the request as it came, with the file in it
 */
export async function importStock(
  context: ServerContext,
  person: Person,
  body: Uint8Array,
  place: string,
): Promise<StockListFound> {
  const { query } = context;
  const lines = await query<{ code: string; name: string; material: Material; diameter: string | number }>(
    'SELECT code, name, material, diameter FROM products ORDER BY id',
  );
  const pieces = await query<{ code: string }>('SELECT code FROM pieces');
  const { units } = await readHouseRules(context);
  const known = lines.map((line) => ({ ...line, diameter: Number(line.diameter) }));
  const given = {
    body,
    lines: known,
    pieceCodes: pieces.map(({ code }) => code),
    imperial: units !== 'metric',
  };
  const list = await inWorker(READ_STOCK, given);
  if (!list.ok)
    throw new ProblemError('bad-request', list.errors[0]?.message ?? 'This could not be read.', list.errors);
  const { found, preview, products: newLines, pieces: newPieces, name } = list;
  return unit(context, person, async (u) => {
    const made = await takeProducts(u, newLines);
    const on = await takePieces(u, newPieces, new Set(newLines.map(({ value }) => value.code)));
    // Rows that are wrong by themselves are none of the good ones.
    const beside = [...made.errors, ...on.errors];
    const errors = [...found.errors, ...beside].sort((a, b) => a.row - b.row).slice(0, SHOWN_ERRORS);
    const taken = !preview && errors.length === 0 && found.pieces > 0;
    if (taken) {
      await made.write();
      await on.write();
      await noteAudit(u, 'imported', {
        name: person.name,
        place,
        what: `stock list ${name}, ${counted(found.rows, 'row')}`,
      });
    }
    const wrongRows = found.wrongRows + new Set(beside.map(({ row }) => row)).size;
    return { ...found, errors, wrongRows, taken };
  });
}
