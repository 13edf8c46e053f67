import { MATERIALS } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, IdSchema, InstantSchema, line, MillimetresSchema, TintSchema } from './basics';

const diameter = v.pipe(
  v.number('A diameter is needed, in mm.'),
  v.minValue(0.04, 'A line is at least 0.04 mm thick.'),
  v.maxValue(3, 'A line is at most 3 mm thick.'),
);

/** A line the shop sells or keeps, described by material, tint and diameter. */
export const ProductSchema = v.object({
  id: IdSchema,
  code: v.string(),
  name: v.string(),
  material: v.picklist(MATERIALS),
  /** Nominal diameter, mm. */
  diameter: v.number(),
  /** Rated strength, kg; null where nobody knows. */
  strengthKg: v.nullable(v.number()),
  tint: v.string(),
});
export type Product = v.InferOutput<typeof ProductSchema>;

export const NewProductSchema = v.object({
  code: CodeSchema,
  name: line('A name'),
  material: v.picklist(MATERIALS, 'Say what the line is made of.'),
  diameter,
  strengthKg: v.nullable(v.pipe(v.number(), v.minValue(0.1), v.maxValue(500))),
  tint: TintSchema,
});

export const PIECE_KINDS = ['bulk', 'pack', 'remnant', 'salvage'] as const;

/** One length of line on the rack. */
export const PieceSchema = v.object({
  id: IdSchema,
  code: v.string(),
  product: ProductSchema,
  kind: v.picklist(PIECE_KINDS),
  place: v.string(),
  /** As it came. */
  receivedMm: MillimetresSchema,
  /** On it now: the sum of its ledger. */
  lengthMm: MillimetresSchema,
  /** Of that, promised to reels that are planned and not yet filled. */
  promisedMm: MillimetresSchema,
  opened: v.boolean(),
});
export type Piece = v.InferOutput<typeof PieceSchema>;

/** The longest bulk spool taken in, 100 km. */
const MOST_MM = 100_000_000;

export const NewPieceSchema = v.object({
  code: CodeSchema,
  product: v.union([v.object({ id: IdSchema }), NewProductSchema]),
  kind: v.picklist(PIECE_KINDS),
  place: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(40)), ''),
  lengthMm: v.pipe(
    MillimetresSchema,
    v.minValue(1000, 'A piece is at least 1 m long.'),
    v.maxValue(MOST_MM, 'A piece is at most 100 km long.'),
  ),
});

export const MOVE_KINDS = ['received', 'filled', 'tail', 'found'] as const;

/** One line of a piece's ledger. Never edited, never removed. */
export const MoveSchema = v.object({
  id: IdSchema,
  kind: v.picklist(MOVE_KINDS),
  /** Positive on to the piece, negative off it. */
  lengthMm: MillimetresSchema,
  at: InstantSchema,
  by: v.string(),
  why: v.string(),
});
export type Move = v.InferOutput<typeof MoveSchema>;

export const PieceWithLedgerSchema = v.object({ piece: PieceSchema, moves: v.array(MoveSchema) });
