import type { Piece, ReorderLine } from '@yard-spool/contract';
import type { Reading } from '../context';
import { listProducts } from './products';
import { listPieces } from './rack';

const WEEKS = 4;
const DAY = 86_400_000;

/** Use over the last weeks, days left at that use, and the price of a metre by size; what runs out first foremost. */
export async function readReorder(from: Reading): Promise<{ weeks: number; lines: ReorderLine[] }> {
  const since = new Date(from.clock().getTime() - WEEKS * 7 * DAY);
  const [products, pieces, used] = await Promise.all([
    listProducts(from),
    listPieces(from),
    usedSince(from, since),
  ]);
  const lines = products
    .map((product): ReorderLine => {
      const mine = pieces.filter((piece) => piece.product.id === product.id && !piece.writtenOff);
      const leftMm = sum(mine.map(({ lengthMm }) => lengthMm));
      const usedMm = used.get(product.id) ?? 0;
      const sizes = pieces.filter((piece) => piece.product.id === product.id);
      return {
        product,
        usedMm,
        leftMm,
        promisedMm: sum(mine.map(({ promisedMm }) => promisedMm)),
        daysLeft: usedMm > 0 ? Math.floor((leftMm / usedMm) * WEEKS * 7) : null,
        sizes: pricesBySize(sizes),
      };
    })
    .filter(({ leftMm, usedMm }) => leftMm > 0 || usedMm > 0);
  return { weeks: WEEKS, lines: lines.sort((a, b) => (a.daysLeft ?? Infinity) - (b.daysLeft ?? Infinity)) };
}

const sum = (figures: readonly number[]): number => figures.reduce((total, figure) => total + figure, 0);

/** What was wound off, cut off or thrown away; counts and weighings only put the books right. */
async function usedSince({ query }: Reading, since: Date): Promise<Map<number, number>> {
  const rows = await query<{ productId: number; mm: string | number }>(
    `SELECT pieces.product_id AS productId, -SUM(moves.length_mm) AS mm
     FROM moves JOIN pieces ON pieces.id = moves.piece_id
     WHERE moves.at >= :since AND moves.kind IN ('filled', 'tail', 'recycled', 'written-off')
     GROUP BY pieces.product_id`,
    { since },
  );
  return new Map(rows.map(({ productId, mm }) => [productId, Number(mm)]));
}

/** The latest price of each size bought, by the metre, cheapest first. */
function pricesBySize(pieces: readonly Piece[]): ReorderLine['sizes'] {
  const bySize = new Map<number, number>();
  for (const { receivedMm, priceMinor, kind } of pieces)
    if (priceMinor !== null && kind !== 'salvage') bySize.set(receivedMm, priceMinor / (receivedMm / 1000));
  return [...bySize]
    .map(([lengthMm, minorPerMetre]) => ({ lengthMm, minorPerMetre }))
    .sort((a, b) => a.minorPerMetre - b.minorPerMetre);
}
