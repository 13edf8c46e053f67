import { MATERIALS, OWN_PREFIX, mayBeSoaked } from '@yard-spool/core';
import * as v from 'valibot';
import { limit } from './words';
import { CodeSchema, IdSchema, line, text, TintSchema } from './basics';

export const LABEL_SIDES = ['up', 'down'] as const;

export const diameter = v.pipe(
  v.number('A diameter is needed, in mm.'),
  v.minValue(0.04, limit('limit.line-at-least', { least: { line: 0.04 } })),
  v.maxValue(3, limit('limit.line-at-most', { most: { line: 3 } })),
);

/** What its maker says of a line, as it stands on box and spool. */
export const MakerWordsSchema = v.object({
  /** Hours to soak it, none among them; null where nothing is said. */
  soakHours: v.nullable(
    v.pipe(
      v.number(),
      v.minValue(0, 'A soak is from 0 to 72 hours.'),
      v.maxValue(72, 'A soak is from 0 to 72 hours.'),
    ),
  ),
  /** Which face of the spool to lay up; null where nothing is said. */
  labelSide: v.nullable(v.picklist(LABEL_SIDES, 'A label is laid up or down.')),
  /** As they are printed, unit and all. */
  strength: text('A printed strength', 40),
  diameter: text('A printed diameter', 40),
  says: text('What the maker says', 200),
});
export type MakerWords = v.InferOutput<typeof MakerWordsSchema>;

/** Whether nothing of its maker's is written down. */
export const saysNothing = ({ soakHours, labelSide, strength, diameter, says }: MakerWords): boolean =>
  soakHours === null && labelSide === null && `${strength}${diameter}${says}` === '';

export const DRY_LINE = 'Only nylon is soaked: other line takes up next to no water.';

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
  /** Grams per metre as the shop has weighed it, and how sure that is as a share; null until it has. */
  mass: v.nullable(v.object({ gramsPerMetre: v.number(), sd: v.number(), samples: v.number() })),
  /** What its maker says; left out where nobody wrote it down. */
  maker: v.exactOptional(MakerWordsSchema),
  /** What stands in the books of it and cannot be read; left out where all can. */
  unread: v.exactOptional(v.array(v.string())),
});
export type Product = v.InferOutput<typeof ProductSchema>;

/** The code of a line of the shop's: those of customers' own line are made by the application. */
export const LineCodeSchema = v.pipe(
  CodeSchema,
  v.check(
    (code) => !code.startsWith(OWN_PREFIX),
    'OWN- begins the codes of customers’ own line. Choose another.',
  ),
);

const newProduct = v.object({
  code: LineCodeSchema,
  name: line('A name'),
  material: v.picklist(MATERIALS, 'Say what the line is made of.'),
  diameter,
  strengthKg: v.nullable(
    v.pipe(
      v.number(),
      v.minValue(0.1, limit('limit.at-least-kg', { what: 'A strength', least: { kg: 0.1 } })),
      v.maxValue(500, limit('limit.at-most-kg', { what: 'A strength', most: { kg: 500 } })),
    ),
  ),
  tint: TintSchema,
  maker: v.exactOptional(MakerWordsSchema),
});

export const NewProductSchema = v.pipe(
  newProduct,
  v.forward(
    v.check(({ material, maker }) => mayBeSoaked(material, maker?.soakHours), DRY_LINE),
    ['maker'],
  ),
);
export type NewProduct = v.InferOutput<typeof NewProductSchema>;
