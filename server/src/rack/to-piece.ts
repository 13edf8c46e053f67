import {
  MakerWordsSchema,
  PIECE_FACTS,
  type Piece,
  type PieceFacts,
  type Product,
} from '@yard-spool/contract';
import { learnMass } from '@yard-spool/core';
import * as v from 'valibot';
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
    ...makerOf(row),
  };
}

/** What its maker says, or that it stands there and cannot be read. */
function makerOf({ maker }: ProductRow): Pick<Product, 'maker' | 'unread'> {
  if (!maker) return {};
  return v.is(MakerWordsSchema, maker) ? { maker } : { unread: ['maker'] };
}

/** A letter scale reads a sample to about a twentieth of a gram. From memory. */
const SAMPLE_SCALE_SD = 0.05;

/** What a piece's row does not hold: its product, what is promised of it, and the water it is or was in. */
export interface PieceBeside {
  readonly product: Product | undefined;
  readonly promisedMm: number;
  readonly water: Pick<Piece, 'soaking' | 'wetUntil'>;
}

/** What a fact is told as where what stands in the books cannot be read. */
const UNKNOWN: PieceFacts = {
  lot: '',
  priceMinor: null,
  tareG: null,
  flangeMm: null,
  coreMm: null,
  wound: 'unknown',
  leaves: 'unknown',
  newOn: null,
};

/** Facts as they stand, and the names of those that do not fit: one that cannot be read takes no list with it. */
function readFacts(stands: PieceFacts): { facts: PieceFacts; unread: string[] } {
  const unread = Object.entries(PIECE_FACTS).flatMap(([name, schema]) =>
    v.is(schema, stands[name as keyof PieceFacts]) ? [] : [name],
  );
  const unknown = Object.entries(UNKNOWN).filter(([name]) => unread.includes(name));
  return { facts: { ...stands, ...Object.fromEntries(unknown) }, unread };
}

export const DRY = { soaking: null, wetUntil: null } as const;

export function toPiece(row: PieceRow, { product, promisedMm, water }: PieceBeside): Piece {
  if (!product) throw new Error(`Piece ${row.code} has no product.`);
  const { id, code, kind, place, receivedMm, lengthMm, version } = row;
  const { facts, unread: unreadFacts } = readFacts({
    lot: row.lot,
    wound: row.wound,
    leaves: row.leaves,
    priceMinor: row.priceMinor ?? null,
    tareG: numberOf(row.tareG),
    flangeMm: numberOf(row.flangeMm),
    coreMm: numberOf(row.coreMm),
    newOn: row.newOn ?? null,
  });
  const unread = [...unreadFacts, ...(product.unread ?? [])];
  return {
    id,
    code,
    product,
    kind,
    place,
    receivedMm,
    lengthMm,
    promisedMm,
    version,
    ...facts,
    ...(unread.length > 0 ? { unread } : {}),
    opened: Boolean(row.opened),
    writtenOff: Boolean(row.writtenOff),
    broughtWith: row.broughtWith ?? null,
    ...water,
  };
}
