import { JOB_OF_CUT } from '../db/joins';
import type { ReorderLine } from '@yard-spool/contract';
import type { Reading } from '../context/context';
import { listProducts } from './products';
import { listStock } from './rack';

const WEEKS = 4;
const DAY = 86_400_000;

/** Use over the last weeks, days left at that use, and the price of a metre by size; what runs out first foremost. */
export async function readReorder(from: Reading): Promise<{ weeks: number; lines: ReorderLine[] }> {
  const since = new Date(from.clock().getTime() - WEEKS * 7 * DAY);
  const [products, pieces, bought, used, coming] = await Promise.all([
    listProducts(from),
    listStock(from),
    sizesBought(from),
    usedSince(from, since),
    stillToCome(from),
  ]);
  // A customer's own line is nothing to reorder.
  const stock = pieces.filter(({ broughtWith }) => broughtWith === null);
  const lines = products
    .map((product): ReorderLine => {
      const mine = stock.filter((piece) => piece.product.id === product.id);
      const leftMm = sum(mine.map(({ lengthMm }) => lengthMm));
      const usedMm = used.get(product.id) ?? 0;
      return {
        product,
        usedMm,
        leftMm,
        promisedMm: sum(mine.map(({ promisedMm }) => promisedMm)) + (coming.get(product.id) ?? 0),
        daysLeft: usedMm > 0 ? Math.floor((leftMm / usedMm) * WEEKS * 7) : null,
        sizes: pricesBySize(bought.filter(({ productId }) => productId === product.id)),
      };
    })
    .filter(({ leftMm, usedMm, promisedMm }) => leftMm > 0 || usedMm > 0 || promisedMm > 0);
  return { weeks: WEEKS, lines: lines.sort((a, b) => (a.daysLeft ?? Infinity) - (b.daysLeft ?? Infinity)) };
}

const sum = (figures: readonly number[]): number => figures.reduce((total, figure) => total + figure, 0);

/** What was wound off, cut off or thrown away; counts and weighings only put the books right. */
async function usedSince({ query }: Reading, since: Date): Promise<Map<number, number>> {
  const rows = await query<{ productId: number; mm: string | number }>(
    `SELECT pieces.product_id AS productId, -SUM(moves.length_mm) AS mm
     FROM moves JOIN pieces ON pieces.id = moves.piece_id
     WHERE pieces.brought_with IS NULL AND moves.at >= :since AND moves.kind IN ('filled', 'tail', 'recycled', 'written-off')
     GROUP BY pieces.product_id`,
    { since },
  );
  return new Map(rows.map(({ productId, mm }) => [productId, Number(mm)]));
}

/** mm that booked reels wait for and no piece holds yet. */
async function stillToCome({ query }: Reading): Promise<Map<number, number>> {
  const rows = await query<{ productId: number; mm: string | number }>(
    `SELECT cuts.product_id AS productId, SUM(cuts.length_mm) AS mm FROM cuts
     ${JOB_OF_CUT} WHERE jobs.state = 'booked' AND cuts.piece_id IS NULL
     GROUP BY cuts.product_id`,
  );
  return new Map(rows.map(({ productId, mm }) => [productId, Number(mm)]));
}

/** A size of a line as it was bought, with what it cost. */
interface Bought {
  readonly productId: number;
  readonly receivedMm: number;
  readonly priceMinor: number;
}

/** Each size of each line with the price paid last; salvage is not bought. */
const sizesBought = ({ query }: Reading): Promise<Bought[]> =>
  query<Bought>(
    `SELECT product_id AS productId, received_mm AS receivedMm, price_minor AS priceMinor FROM pieces
     WHERE id IN (SELECT MAX(id) FROM pieces WHERE price_minor IS NOT NULL AND kind <> 'salvage'
                  GROUP BY product_id, received_mm)`,
  );

/** The price of each size by the metre, cheapest first. */
const pricesBySize = (bought: readonly Bought[]): ReorderLine['sizes'] =>
  bought
    .map(({ receivedMm, priceMinor }) => ({
      lengthMm: receivedMm,
      minorPerMetre: priceMinor / (receivedMm / 1000),
    }))
    .sort((a, b) => a.minorPerMetre - b.minorPerMetre);
