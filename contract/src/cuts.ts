import * as v from 'valibot';
import { limit } from './words';
import { IdSchema, KeySchema, line, MillimetresSchema } from './basics';
import { LEAST_JOINED_MM, MATERIALS, type Takes, WATER_STATES } from '@yard-spool/core';
import { sameAs } from './same';
import { diameter } from './products';
import { PIECE_KINDS } from './rack';

/** A part of a piece that is shared out: a share of what it held when it came, or all that is left on it. */
export const TakesSchema = sameAs<Takes>()(
  v.union([v.object({ pack: v.pipe(v.number(), v.minValue(0.01), v.maxValue(1)) }), v.literal('rest')]),
);

const layer = KeySchema;

/** Shorter lengths are not joined. */
const firstMm = v.pipe(
  MillimetresSchema,
  v.minValue(
    LEAST_JOINED_MM,
    limit('limit.at-least-m', { what: 'A length that is joined', least: { m: LEAST_JOINED_MM / 1000 } }),
  ),
);

/**
 * What a layer of the plan is to be cut from: a piece on the rack; line the customer brings, by its place in the booking;
 * or a line that has yet to come.
 */
export const CutSchema = v.union([
  v.object({
    layer,
    pieceId: IdSchema,
    takes: v.exactOptional(TakesSchema),
    /** Backing joined from two: so much off the first piece, what is left of it off another. */
    joined: v.exactOptional(v.object({ pieceId: IdSchema, firstMm })),
  }),
  v.object({
    layer,
    brought: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(11)),
    takes: v.exactOptional(TakesSchema),
  }),
  v.object({ layer, productId: IdSchema }),
]);
export type Cut = v.InferOutput<typeof CutSchema>;

export const CutsSchema = v.pipe(v.array(CutSchema), v.maxLength(12));

/**
 * A cut as kept: what it comes to, with the piece it is from; without one while its line has yet to come. A layer that is
 * joined from two has two, in the order they are wound.
 */
export const PlannedCutSchema = v.object({
  layer: v.string(),
  pieceId: v.nullable(IdSchema),
  pieceCode: v.nullable(v.string()),
  productId: IdSchema,
  productCode: v.string(),
  productName: v.string(),
  tint: v.string(),
  pieceKind: v.nullable(v.picklist(PIECE_KINDS)),
  /** Whether it is the customer's own line. */
  own: v.boolean(),
  lengthMm: MillimetresSchema,
  /** Lost with the cut: knots, trimming, the end taped down. */
  tailMm: MillimetresSchema,
  takes: v.nullable(TakesSchema),
  /** Whether its piece lies in a tub, or is out of it and not dry yet. */
  water: v.picklist(WATER_STATES),
  /** The soak it is in, by which it is taken out of its tub. */
  soakId: v.nullable(IdSchema),
});
export type PlannedCut = v.InferOutput<typeof PlannedCutSchema>;

/** Line a customer brings with a bag: part of the bag, not stock. */
export const BroughtLineSchema = v.object({
  name: line('What the line is called', 60),
  material: v.picklist(MATERIALS, 'Say what the line is made of.'),
  diameter,
  lengthMm: v.pipe(
    MillimetresSchema,
    v.minValue(1000, limit('limit.at-least-m', { what: 'A piece', least: { m: 1 } })),
    v.maxValue(20_000_000, limit('limit.brought', { most: { m: 20_000 } })),
  ),
});
export type BroughtLine = v.InferOutput<typeof BroughtLineSchema>;
