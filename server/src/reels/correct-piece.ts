import type { Unit } from '../context/context';
import type { Correction } from '@yard-spool/core';
import type { PieceRow } from '../db/models/rack';
import { ProblemError } from '../problem-error';
import { layerAt, moveBack, type Correcting } from './correcting';

/** Another piece that a layer came off, or none: one gets its line back, the other gives it; gives the code it was. */
export async function correctPiece(correcting: Correcting): Promise<Correction['was']> {
  const { u, asked } = correcting;
  const layer = layerAt(correcting);
  const before = layer.pieceId === null ? null : await u.tables.pieces.findByPk(layer.pieceId);
  const next = await pieceOf(u, asked.is);
  const was = before?.code ?? null;
  if (before?.id === next?.id) return was;
  const moves = [
    { piece: before, lengthMm: layer.lengthMm },
    { piece: next, lengthMm: -layer.lengthMm },
  ].flatMap(({ piece, lengthMm }) => (piece ? [{ id: piece.id, lengthMm }] : []));
  // In the order of their numbers, as everybody locks them.
  for (const { id, lengthMm } of moves.sort((a, b) => a.id - b.id)) await moveBack(correcting, id, lengthMm);
  await u.tables.fillLayers.change(layer, { pieceId: next?.id ?? null, ...(await productOf(u, next)) });
  return was;
}

async function pieceOf({ tables }: Unit, code: Correction['is']): Promise<PieceRow | null> {
  if (code === null) return null;
  const piece = await tables.pieces.findOne({ where: { code: String(code) } });
  if (!piece) throw new ProblemError('not-found', `No piece on the rack has the code ${String(code)}.`);
  return piece;
}

/** What a layer is called by the piece it came off; as it was where it came off none. */
async function productOf({ tables }: Unit, piece: PieceRow | null) {
  const product = piece && (await tables.products.findByPk(piece.productId));
  return product
    ? { productId: product.id, lineName: product.name, tint: product.tint }
    : { productId: null };
}
