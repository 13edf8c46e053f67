import { task } from '../work/task';
import { ImportRackSchema, type RackFile, type RowError } from '@yard-spool/contract';
import * as v from 'valibot';
import { fieldErrors } from '../field-errors';
import type { FieldError } from '../problem-error';
import { bodyOf } from './body-of';
import { checkRows } from './check-rows';
import { inPieces } from './chunked';
import { readFile } from './read-file';
import { MoveRowSchema, PieceRowSchema, ProductRowSchema, ReelRowSchema } from './row-schemas';

const SCHEMAS = {
  products: ProductRowSchema,
  pieces: PieceRowSchema,
  ledger: MoveRowSchema,
  reels: ReelRowSchema,
} as const;

/** A row of each kind of file, checked by itself. */
export type FileRows = { readonly [K in RackFile]: v.InferOutput<(typeof SCHEMAS)[K]> };

/** What was asked with a file, as plain data that goes quickly from a worker to the event loop. */
export type AskedFile =
  | { readonly ok: false; readonly errors: readonly FieldError[] }
  | {
      readonly ok: true;
      readonly what: RackFile;
      readonly preview: boolean;
      readonly rows: number;
      readonly sample: readonly Readonly<Record<string, string>>[];
      /** Good rows, by `fromPieces`. */
      readonly good: readonly string[];
      /** The first of what is wrong, and how many rows are. */
      readonly errors: RowError[];
      readonly wrongRows: number;
    };

const SHOWN_ROWS = 12;
/** What is wrong is told up to here. */
export const SHOWN_ERRORS = 200;

/**
 * Reads a request that brings a file, and the file: what takes long of an import, and needs nothing but what was sent.
 *
 * @param body the request's body, as it came
 */
export function readAsked(body: Uint8Array): AskedFile {
  const told = bodyOf(body);
  if (told === undefined)
    return { ok: false, errors: [{ path: 'body', message: 'This is not readable as JSON.' }] };
  const asked = v.safeParse(ImportRackSchema, told);
  if (!asked.success) return { ok: false, errors: fieldErrors(asked.issues, 'body') };
  const { what, format, base64, preview } = asked.output;
  const file = readFile(Buffer.from(base64, 'base64'), what, format);
  const { good, errors } = checkRows(SCHEMAS[what] as v.GenericSchema, file.rows, file.first);
  // A row that is not whole is told as that; what its fields would say beside it is noise.
  const torn = new Set(file.errors.map(({ row }) => row));
  const wrong = [...file.errors, ...errors.filter(({ row }) => !torn.has(row))].sort(
    (one, two) => one.row - two.row,
  );
  return {
    ok: true,
    what,
    preview,
    rows: file.rows.length,
    sample: file.rows.slice(0, SHOWN_ROWS),
    good: inPieces(good.filter(({ row }) => !torn.has(row))),
    errors: wrong.slice(0, SHOWN_ERRORS),
    wrongRows: new Set(wrong.map(({ row }) => row)).size,
  };
}

/** A request that brings a file, and the file's rows, each checked by itself. */
export const READ_FILE = task<typeof readAsked>('file');
