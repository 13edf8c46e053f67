import { withoutTop, type Lying } from '@yard-spool/core';
import type { FillLayerRow } from '../db/models/runs';
import type { Reading } from '../context/context';

/** A layer as it lies on a spool now, with what is known of where its line came from. */
export interface LyingLayer
  extends Lying, Pick<FillLayerRow, 'role' | 'lineName' | 'tint' | 'pieceId' | 'productId'> {}

const asLying = ({
  line,
  lengthMm,
  innerRadius,
  outerRadius,
  role,
  lineName,
  tint,
  pieceId,
  productId,
}: FillLayerRow): LyingLayer => ({
  line,
  innerRadius,
  outerRadius,
  role,
  lineName,
  tint,
  pieceId,
  productId,
  length: lengthMm / 1000,
});

/** Layers of a fill, arbor first, without what is gone off its top since. */
export const stillOn = (rows: readonly FillLayerRow[], offMm: number): LyingLayer[] =>
  withoutTop(rows.map(asLying), offMm / 1000);

/** What lies on a spool now, arbor first; nothing where it is bare, or nobody here filled it. */
export async function lyingOn(
  { tables }: Reading,
  spool: { readonly fillId: number | null; readonly offMm: number } | null,
): Promise<LyingLayer[]> {
  if (spool?.fillId == null) return [];
  const rows = await tables.fillLayers.findAll({ where: { fillId: spool.fillId }, order: ['position'] });
  return stillOn(rows, spool.offMm);
}
