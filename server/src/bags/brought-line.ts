import { HERE } from '../db/job-states';
import type { Bag, BroughtLine } from '@yard-spool/contract';
import { LINE_TINTS, OWN_PREFIX, ownLineCode } from '@yard-spool/core';
import type { Reading, Unit } from '../context/context';
import { addMoves } from '../rack/move';
import { productFor } from '../rack/products';

const NAMES = {
  nylon: 'nylon',
  fluorocarbon: 'fluorocarbon',
  braid: 'braid',
  'hollow-braid': 'hollow braid',
} as const;

/**
 * Takes in the line a customer brings with a bag: pieces that are part of the bag and no stock.
 *
 * @returns their numbers, in the order they were brought
 */
export async function bringLines(u: Unit, bagId: number, brought: readonly BroughtLine[]): Promise<number[]> {
  const there = await u.tables.pieces.count({ where: { broughtWith: bagId } });
  const ids: number[] = [];
  for (const [i, { name, material, diameter, lengthMm }] of brought.entries()) {
    const productId = await ownProduct(u, { material, diameter });
    const code = `${OWN_PREFIX}${String(bagId)}-${String(there + i + 1)}`;
    const piece = await u.tables.pieces.create({
      code,
      productId,
      kind: 'bulk',
      place: 'with its bag',
      lot: name.slice(0, 40),
      receivedMm: lengthMm,
      lengthMm: 0,
      broughtWith: bagId,
    });
    await u.happened.renamed('piece', [piece.id]);
    await addMoves(u, piece, [{ kind: 'received', lengthMm, why: 'brought by the customer' }]);
    await u.tables.pieces.change(piece, { opened: true });
    ids.push(piece.id);
  }
  return ids;
}

async function ownProduct(u: Unit, line: Pick<BroughtLine, 'material' | 'diameter'>): Promise<number> {
  const code = ownLineCode(line);
  const there = await u.tables.products.findOne({ where: { code } });
  if (there) return there.id;
  const name = `Own ${NAMES[line.material]} ${line.diameter.toFixed(2)}`;
  return productFor(u, { ...line, code, name, strengthKg: null, tint: LINE_TINTS.own });
}

interface BroughtRow {
  readonly pieceId: number;
  readonly code: string;
  readonly lot: string;
  readonly name: string;
  readonly tint: string;
  readonly receivedMm: number | string;
  readonly lengthMm: number | string;
  readonly writtenOff: number;
  readonly wentBackMm: number | string | null;
}

/** The customer's own line of a bag, with what is left of it. */
export async function broughtWith({ query }: Reading, bagId: number): Promise<Bag['brought']> {
  const rows = await query<BroughtRow>(
    `SELECT pieces.id AS pieceId, pieces.code, pieces.lot, products.name, products.tint,
       pieces.received_mm AS receivedMm, pieces.length_mm AS lengthMm, pieces.written_off AS writtenOff,
       (SELECT moves.length_mm FROM moves WHERE moves.piece_id = pieces.id AND moves.kind = 'written-off'
        ORDER BY moves.id LIMIT 1) AS wentBackMm
     FROM pieces JOIN products ON products.id = pieces.product_id
     WHERE pieces.brought_with = :bagId ORDER BY pieces.id`,
    { bagId },
  );
  return rows.map(({ pieceId, code, lot, name, tint, receivedMm, lengthMm, writtenOff, wentBackMm }) => ({
    pieceId,
    code,
    name: lot || name,
    tint,
    broughtMm: Number(receivedMm),
    leftMm: writtenOff ? -Number(wentBackMm ?? 0) : Number(lengthMm),
    back: Boolean(writtenOff),
  }));
}

/** Own line goes back with the last reel of its bag. */
export async function giveOwnLineBack(u: Unit, bagId: number): Promise<void> {
  const waiting = await u.tables.jobs.findAll({
    where: { bagId, state: [...HERE] },
  });
  if (waiting.length > 0) return;
  const pieces = await u.tables.pieces.lockAll({
    where: { broughtWith: bagId, writtenOff: false },
    order: ['id'],
  });
  for (const piece of pieces) {
    await addMoves(u, piece, [
      { kind: 'written-off', lengthMm: -piece.lengthMm, why: 'went back with the bag' },
    ]);
    await u.tables.pieces.change(piece, { writtenOff: true });
  }
}
