import type { Unit } from '../context/context';
import type { RackFile, RowError } from '@yard-spool/contract';
import type { FileRows } from './read-rows';
import { productValues } from '../rack/products';
import { factValues } from '../rack/receive';
import { findTwice, type Checked } from './check-rows';
import { idsByCode } from './ids-by-code';
import { inChunks } from './in-chunks';
import { takeLedger } from './take-ledger';
import { takeReels } from './take-reels';
import type { TakeIn } from './take-in-type';
import type { PieceFileRow } from './row-schemas';

/** Lines that are new to the rack. */
export const takeProducts: TakeIn<'products'> = async (u, good) => {
  const { tables } = u;
  const errors: RowError[] = [];
  const known = await idsByCode(u, 'products', codesOf(good));
  errors.push(...findTwice(good, 'code', ({ code }) => code), ...alreadyThere(good, known, 'line'));
  const write = (): Promise<void> =>
    inChunks(good, async (chunk) => {
      await tables.products.createAll(
        chunk.map(({ value: { code, name, material, tint, diameter_mm, strength_kg, ...row } }) =>
          productValues({
            code,
            name,
            material,
            tint,
            diameter: diameter_mm,
            strengthKg: strength_kg,
            maker: {
              soakHours: row.soak_hours,
              labelSide: row.label_side,
              says: row.maker_says,
              strength: row.printed_strength,
              diameter: row.printed_diameter,
            },
          }),
        ),
      );
      const made = await tables.products.findAll({ where: { code: codesOf(chunk) }, attributes: ['id'] });
      await u.happened.renamed(
        'line',
        made.map(({ id }) => id),
      );
    });
  return { errors, write };
};

const codesOf = (rows: readonly Checked<{ readonly code: string }>[]): string[] =>
  rows.map(({ value }) => value.code);

const alreadyThere = (
  rows: readonly Checked<{ readonly code: string }>[],
  known: ReadonlyMap<string, number>,
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
  code: row.code,
  kind: row.kind,
  place: row.place,
  productId,
  receivedMm: row.received_m,
  lengthMm: row.left_m,
  opened: row.left_m !== row.received_m,
  ...factValues({
    lot: row.lot,
    wound: row.wound,
    leaves: row.leaves,
    newOn: row.new_on,
    priceMinor: row.price === null ? null : Math.round(row.price * 100),
    tareG: row.tare_g,
    flangeMm: row.flange_mm,
    coreMm: row.core_mm,
  }),
});

/** Pieces of lines that are on the rack, or come in the same change. */
export const takePieces = async (
  u: Unit,
  good: readonly Checked<PieceFileRow>[],
  coming: ReadonlySet<string> = new Set(),
): ReturnType<TakeIn<'pieces'>> => {
  const { tables, clock, actor } = u;
  const errors: RowError[] = [];
  const known = await idsByCode(u, 'pieces', codesOf(good));
  const lines = good.map(({ value }) => value.product);
  const products = await idsByCode(u, 'products', lines);
  errors.push(...findTwice(good, 'code', ({ code }) => code), ...alreadyThere(good, known, 'piece'));
  for (const { row, value } of good)
    if (!products.has(value.product) && !coming.has(value.product))
      errors.push({
        row,
        column: 'product',
        message: `There is no line ${value.product}. Import the products first.`,
      });
  const write = async (): Promise<void> => {
    const there = coming.size === 0 ? products : await idsByCode(u, 'products', lines);
    await inChunks(good, async (chunk) => {
      await tables.pieces.createAll(
        chunk.map(({ value }) => pieceValues(value, there.get(value.product) ?? 0)),
      );
      // Ids are read back: a bulk insert does not tell them all.
      const made = await tables.pieces.findAll({
        where: { code: chunk.map(({ value }) => value.code) },
      });
      await u.happened.renamed(
        'piece',
        made.map(({ id }) => id),
      );
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
                  ...shared,
                  pieceId,
                  kind: 'counted' as const,
                  why: 'left on it, as the file says',
                  lengthMm: lengthMm - receivedMm,
                },
              ]),
        ]),
      );
    });
  };
  return { errors, write };
};

const TAKE_IN: { readonly [K in RackFile]: TakeIn<K> } = {
  products: takeProducts,
  pieces: (u, good) => takePieces(u, good),
  ledger: takeLedger,
  reels: takeReels,
};

/** What a file's good rows come to. */
export const takeIn = <K extends RackFile>(
  u: Unit,
  what: K,
  good: readonly Checked<FileRows[K]>[],
): ReturnType<TakeIn<K>> => TAKE_IN[what](u, good);
