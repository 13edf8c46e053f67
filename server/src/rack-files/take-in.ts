import type { RowError } from '@yard-spool/contract';
import { productValues } from '../rack/products';
import { factValues } from '../rack/receive';
import { checkRows, findTwice, type Checked } from './check-rows';
import { takeReels } from './take-reels';
import type { TakeIn } from './take-in-type';
import {
  MoveRowSchema,
  PieceRowSchema,
  ProductRowSchema,
  type MoveFileRow,
  type PieceFileRow,
} from './row-schemas';

const CHUNK = 1000;

async function inChunks<T>(rows: readonly T[], write: (chunk: T[]) => Promise<unknown>): Promise<void> {
  for (let i = 0; i < rows.length; i += CHUNK) await write(rows.slice(i, i + CHUNK));
}

const takeProducts: TakeIn = async ({ tables }, rows) => {
  const { good, errors } = checkRows(ProductRowSchema, rows);
  const known = new Set((await tables.products.findAll()).map(({ code }) => code));
  errors.push(...findTwice(good, 'code', ({ code }) => code), ...alreadyThere(good, known, 'line'));
  const write = (): Promise<void> =>
    inChunks(good, (chunk) =>
      tables.products.createAll(
        chunk.map(({ value: { code, name, material, tint, diameter_mm, strength_kg } }) =>
          productValues({ code, name, material, tint, diameter: diameter_mm, strengthKg: strength_kg }),
        ),
      ),
    );
  return { errors, write };
};

const alreadyThere = (
  rows: readonly Checked<{ readonly code: string }>[],
  known: ReadonlySet<string>,
  what: string,
): RowError[] =>
  rows
    .filter(({ value }) => known.has(value.code))
    .map(({ row, value }) => ({
      row,
      column: 'code',
      message: `There is a ${what} ${value.code} on the rack already.`,
    }));

/** A file row's piece, as the rack keeps it. */
const pieceValues = (row: PieceFileRow, productId: number) => ({
  ...{ code: row.code, kind: row.kind, place: row.place },
  productId,
  receivedMm: row.received_m,
  lengthMm: row.left_m,
  opened: row.left_m !== row.received_m,
  ...factValues({
    ...{ lot: row.lot, wound: row.wound, leaves: row.leaves, newOn: row.new_on },
    priceMinor: row.price === null ? null : Math.round(row.price * 100),
    tareG: row.tare_g,
    flangeMm: row.flange_mm,
    coreMm: row.core_mm,
  }),
});

const takePieces: TakeIn = async ({ tables, clock, actor }, rows) => {
  const { good, errors } = checkRows(PieceRowSchema, rows);
  const known = new Set((await tables.pieces.findAll()).map(({ code }) => code));
  const products = new Map((await tables.products.findAll()).map(({ code, id }) => [code, id]));
  errors.push(...findTwice(good, 'code', ({ code }) => code), ...alreadyThere(good, known, 'piece'));
  for (const { row, value } of good)
    if (!products.has(value.product))
      errors.push({
        row,
        column: 'product',
        message: `There is no line ${value.product}. Import the products first.`,
      });
  const write = (): Promise<void> =>
    inChunks(good, async (chunk) => {
      await tables.pieces.createAll(
        chunk.map(({ value }) => pieceValues(value, products.get(value.product) ?? 0)),
      );
      // Ids are read back: a bulk insert does not tell them all.
      const made = await tables.pieces.findAll({
        where: { code: chunk.map(({ value }) => value.code) },
      });
      const shared = { at: clock(), byId: actor.id, runId: null };
      await tables.moves.createAll(
        made.flatMap(({ id: pieceId, receivedMm, lengthMm }) => [
          {
            ...shared,
            pieceId,
            kind: 'received' as const,
            lengthMm: receivedMm,
            why: 'imported from a file',
          },
          ...(lengthMm === receivedMm
            ? []
            : [
                {
                  ...{ ...shared, pieceId, kind: 'counted' as const, why: 'left on it, as the file says' },
                  lengthMm: lengthMm - receivedMm,
                },
              ]),
        ]),
      );
    });
  return { errors, write };
};

const takeLedger: TakeIn = async ({ tables }, rows) => {
  const { good, errors } = checkRows(MoveRowSchema, rows);
  const people = new Map((await tables.people.findAll()).map(({ name, id }) => [name, id]));
  const pieces = new Map((await tables.pieces.lockAll({})).map((row) => [row.code, row]));
  for (const { row, value } of good) {
    if (!people.has(value.by))
      errors.push({ row, column: 'by', message: `Nobody here is called ${value.by}.` });
    if (!pieces.has(value.piece))
      errors.push({ row, column: 'piece', message: `There is no piece ${value.piece} on the rack.` });
  }
  const { lengths, below } = runningLengths(
    good,
    new Map([...pieces].map(([code, { lengthMm }]) => [code, lengthMm])),
  );
  errors.push(...below);
  const write = async (): Promise<void> => {
    await inChunks(good, (chunk) =>
      tables.moves.createAll(
        chunk.map(({ value }) => ({
          pieceId: pieces.get(value.piece)?.id ?? 0,
          kind: value.kind,
          lengthMm: value.moved_m,
          at: value.at,
          byId: people.get(value.by) ?? 0,
          why: value.why,
          runId: null,
        })),
      ),
    );
    for (const [code, lengthMm] of lengths) {
      const piece = pieces.get(code);
      if (piece) await tables.pieces.change(piece, { lengthMm });
    }
  };
  return { errors, write };
};

/** Lengths after all rows, and the rows after which a piece would hold less than zero. */
function runningLengths(
  rows: readonly Checked<MoveFileRow>[],
  start: ReadonlyMap<string, number>,
): { lengths: Map<string, number>; below: RowError[] } {
  const lengths = new Map<string, number>();
  const below: RowError[] = [];
  for (const { row, value } of rows) {
    const before = lengths.get(value.piece) ?? start.get(value.piece);
    if (before === undefined) continue;
    lengths.set(value.piece, before + value.moved_m);
    if (before + value.moved_m < 0)
      below.push({
        row,
        column: 'moved_m',
        message: `${value.piece} has ${before / 1000} m before this row: it would hold less than zero.`,
      });
  }
  return { lengths, below };
}

export const TAKE_IN = {
  products: takeProducts,
  pieces: takePieces,
  ledger: takeLedger,
  reels: takeReels,
} as const;
