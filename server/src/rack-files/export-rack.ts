import { FILE_COLUMNS, type RackFile, type ReelKind } from '@yard-spool/contract';
import Papa from 'papaparse';
import { listReelKinds } from '../bags/reel-kinds';
import type { Reading } from '../context';
import { peopleNames } from '../people/people';
import { listProducts } from '../rack/products';
import { listPieces } from '../rack/rack';

type Row = Readonly<Record<string, string | number>>;

const ROWS: Readonly<Record<RackFile, (from: Reading) => Promise<Row[]>>> = {
  products: async (from) =>
    (await listProducts(from)).map(({ code, name, material, diameter, strengthKg, tint }) => ({
      ...{ code, name, material, tint },
      diameter_mm: diameter,
      strength_kg: strengthKg ?? '',
    })),
  pieces: async (from) =>
    (await listPieces(from))
      .filter(({ writtenOff }) => !writtenOff)
      .map((piece) => ({
        ...{ code: piece.code, product: piece.product.code, kind: piece.kind, place: piece.place },
        received_m: piece.receivedMm / 1000,
        left_m: piece.lengthMm / 1000,
        lot: piece.lot,
        price: piece.priceMinor === null ? '' : (piece.priceMinor / 100).toFixed(2),
        tare_g: piece.tareG ?? '',
        flange_mm: piece.flangeMm ?? '',
        core_mm: piece.coreMm ?? '',
        ...{ wound: piece.wound, leaves: piece.leaves },
        new_on: piece.newOn ?? '',
      })),
  ledger: async (from) => {
    const { tables } = from;
    const [moves, pieces, nameOf] = await Promise.all([
      tables.moves.findAll({ order: ['id'] }),
      tables.pieces.findAll(),
      peopleNames(from),
    ]);
    const codeOf = new Map(pieces.map(({ id, code }) => [id, code]));
    return moves.map(({ pieceId, at, kind, lengthMm, byId, why }) => ({
      piece: codeOf.get(pieceId) ?? '',
      at: at.toISOString(),
      kind,
      moved_m: lengthMm / 1000,
      by: nameOf.get(byId) ?? '',
      why,
    }));
  },
  reels: async (from) => (await listReelKinds(from)).map(reelRow),
};

/** What a kind of reel measures, as the file's columns. */
function reelRow({ label, type, gear, observations }: ReelKind): Row {
  const [first, second] = observations.filter((one) => one.kind === 'rating');
  const diameter = (kind: 'lip' | 'arbor'): number | '' => {
    const one = observations.find((found) => found.kind === kind);
    return one?.kind === 'lip' || one?.kind === 'arbor' ? one.diameter : '';
  };
  const width = observations.find((one) => one.kind === 'width');
  return {
    ...{ label, type, gear },
    rating1_m: first?.length ?? '',
    rating1_mm: first?.diameter ?? '',
    rating2_m: second?.length ?? '',
    rating2_mm: second?.diameter ?? '',
    lip_mm: diameter('lip'),
    width_mm: width?.width ?? '',
    arbor_mm: diameter('arbor'),
  };
}

/** A text that a spreadsheet would run as a formula is led by an apostrophe, which it shows and does not run. */
const harmless = (value: string | number): string | number =>
  typeof value === 'string' && /^[=+@\t\r]|^-(?!\d)/.test(value) ? `'${value}` : value;

/** Products, pieces or the ledger as a file to export; columns as documented in docs/files.md. */
export async function exportRack(
  from: Reading,
  { what, format }: { readonly what: RackFile; readonly format: 'csv' | 'json' },
): Promise<{ name: string; type: string; text: string }> {
  const columns = FILE_COLUMNS[what];
  const rows = (await ROWS[what](from)).map((row) =>
    Object.fromEntries(columns.map((column) => [column, row[column] ?? ''])),
  );
  const day = from.clock().toISOString().slice(0, 10);
  const name = `yard-spool-${what}-${day}.${format}`;
  if (format === 'json')
    return { name, type: 'application/json', text: `${JSON.stringify(rows, null, 2)}\n` };
  const safe = rows.map((row) =>
    Object.fromEntries(Object.entries(row).map(([key, value]) => [key, harmless(value)])),
  );
  const text = Papa.unparse({ fields: [...columns], data: safe }, { newline: '\r\n' });
  return { name, type: 'text/csv', text: `\uFEFF${text}\r\n` };
}
