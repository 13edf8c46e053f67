import { tellMetric, wordsFromText } from '@yard-spool/core';
import type { RackFile, ReelKind } from '@yard-spool/contract';
import { Op } from 'sequelize';
import { listReelKinds } from '../bags/reel-kinds';
import type { Reading } from '../context/context';
import { listShopLines } from '../rack/products';
import { listPieces } from '../rack/rack';

/** One row of a file, by column. */
export type FileRow = Readonly<Record<string, string | number>>;

/** Rows read at once: a file may be as long as the shop is old. */
const BATCH = 1000;

/** The rows of each file, batch after batch, so that no file is ever held whole. */
export const ROWS: Readonly<Record<RackFile, (from: Reading) => AsyncGenerator<FileRow[]>>> = {
  products: async function* (from) {
    yield (await listShopLines(from)).map(({ code, name, material, diameter, strengthKg, tint, maker }) => ({
      code,
      name,
      material,
      tint,
      diameter_mm: diameter,
      strength_kg: strengthKg ?? '',
      soak_hours: maker?.soakHours ?? '',
      label_side: maker?.labelSide ?? '',
      printed_strength: maker?.strength ?? '',
      printed_diameter: maker?.diameter ?? '',
      maker_says: maker?.says ?? '',
    }));
  },
  pieces: pieceRows,
  ledger: ledgerRows,
  reels: async function* (from) {
    yield (await listReelKinds(from)).map(reelRow);
  },
};

/** Keys of a table in their order, batch after batch. */
async function* batches<Row extends { readonly id: number }>(
  read: (after: number) => Promise<Row[]>,
): AsyncGenerator<Row[]> {
  for (let rows = await read(0); rows.length > 0; rows = await read(rows.at(-1)?.id ?? Infinity)) yield rows;
}

async function* pieceRows(from: Reading): AsyncGenerator<FileRow[]> {
  const ids = batches((after) =>
    from.tables.pieces.findAll({
      where: { id: { [Op.gt]: after }, writtenOff: false, broughtWith: null },
      order: ['id'],
      limit: BATCH,
      attributes: ['id'],
    }),
  );
  for await (const rows of ids) {
    const pieces = await listPieces(from, { id: rows.map(({ id }) => id) });
    yield pieces.map((piece) => ({
      code: piece.code,
      product: piece.product.code,
      kind: piece.kind,
      place: piece.place,
      received_m: piece.receivedMm / 1000,
      left_m: piece.lengthMm / 1000,
      lot: piece.lot,
      price: piece.priceMinor === null ? '' : (piece.priceMinor / 100).toFixed(2),
      tare_g: piece.tareG ?? '',
      flange_mm: piece.flangeMm ?? '',
      core_mm: piece.coreMm ?? '',
      wound: piece.wound,
      leaves: piece.leaves,
      new_on: piece.newOn ?? '',
    }));
  }
}

interface Moved {
  readonly id: number;
  readonly piece: string;
  readonly at: Date;
  readonly kind: string;
  readonly lengthMm: number;
  readonly who: string;
  readonly why: string;
}

async function* ledgerRows(from: Reading): AsyncGenerator<FileRow[]> {
  const read = batches((after) =>
    from.query<Moved>(
      // As plain rows in the order of their numbers. A customer's own line is no stock: its moves are not the rack's.
      `SELECT STRAIGHT_JOIN moves.id, pieces.code AS piece, moves.at, moves.kind, moves.length_mm AS lengthMm,
         people.name AS who, moves.why
       FROM moves JOIN pieces ON pieces.id = moves.piece_id JOIN people ON people.id = moves.by_id
       WHERE moves.id > :after AND pieces.brought_with IS NULL ORDER BY moves.id LIMIT ${String(BATCH)}`,
      { after },
    ),
  );
  for await (const moves of read)
    yield moves.map(({ piece, at, kind, lengthMm, who, why }) => ({
      piece,
      at: at.toISOString(),
      kind,
      moved_m: lengthMm / 1000,
      by: who,
      // A file is metric, whoever takes it along.
      why: tellMetric(wordsFromText(why)),
    }));
}

/** What a kind of reel measures, as the file's columns. */
function reelRow({ label, type, gear, observations }: ReelKind): FileRow {
  const [first, second] = observations.filter((one) => one.kind === 'rating');
  const diameter = (kind: 'lip' | 'arbor'): number | '' => {
    const one = observations.find((found) => found.kind === kind);
    return one?.kind === 'lip' || one?.kind === 'arbor' ? one.diameter : '';
  };
  const width = observations.find((one) => one.kind === 'width');
  return {
    label,
    type,
    gear: Number(gear.toPrecision(4)),
    rating1_m: first?.length ?? '',
    rating1_mm: first?.diameter ?? '',
    rating2_m: second?.length ?? '',
    rating2_mm: second?.diameter ?? '',
    lip_mm: diameter('lip'),
    width_mm: width?.width ?? '',
    arbor_mm: diameter('arbor'),
  };
}
