import type { Piece, Product } from '@yard-spool/contract';
import { learnMass } from '@yard-spool/core';
import type { PieceRow, ProductRow } from '../db/models/rack';
import type { MassSampleRow } from '../db/models/weighing';

const numberOf = (decimal: string | null): number | null => (decimal === null ? null : Number(decimal));

/** A product with what its weighed samples say of its grams per metre. */
export function toProduct(row: ProductRow, samples: readonly MassSampleRow[]): Product {
  const mine = samples.filter(({ productId }) => productId === row.id);
  const learned = learnMass(
    mine.map(({ lengthMm, grams }) => ({ metres: lengthMm / 1000, grams: Number(grams) })),
    SAMPLE_SCALE_SD,
  );
  return {
    id: row.id,
    code: row.code,
    name: row.name,
    material: row.material,
    diameter: Number(row.diameter),
    strengthKg: numberOf(row.strengthKg),
    tint: row.tint,
    mass: learned && { ...learned, samples: mine.length },
    ...(row.maker ? { maker: row.maker } : {}),
  };
}

/** A letter scale reads a sample to about a twentieth of a gram. From memory. */
const SAMPLE_SCALE_SD = 0.05;

/** What a piece's row does not hold: its product, what is promised of it, and the water it is or was in. */
export interface PieceBeside {
  readonly product: Product | undefined;
  readonly promisedMm: number;
  readonly water: Pick<Piece, 'soaking' | 'wetUntil'>;
}

export const DRY = { soaking: null, wetUntil: null } as const;

export function toPiece(row: PieceRow, { product, promisedMm, water }: PieceBeside): Piece {
  if (!product) throw new Error(`Piece ${row.code} has no product.`);
  const { id, code, kind, place, receivedMm, lengthMm, lot, priceMinor, wound, leaves, newOn, version } = row;
  return {
    ...{ id, code, product, kind, place, receivedMm, lengthMm, promisedMm, lot, wound, leaves, version },
    priceMinor: priceMinor ?? null,
    tareG: numberOf(row.tareG),
    flangeMm: numberOf(row.flangeMm),
    coreMm: numberOf(row.coreMm),
    newOn: newOn ?? null,
    opened: Boolean(row.opened),
    writtenOff: Boolean(row.writtenOff),
    broughtWith: row.broughtWith ?? null,
    ...water,
  };
}
