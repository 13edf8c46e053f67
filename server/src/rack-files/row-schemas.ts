import {
  CODE_PATTERN,
  DRY_LINE,
  LABEL_SIDES,
  LEAVES,
  MOVE_KINDS,
  PIECE_KINDS,
  WOUND_WAYS,
  DaySchema,
  InstantSchema,
  LineCodeSchema,
  someLines,
} from '@yard-spool/contract';
import { MATERIALS, mayBeSoaked, REEL_TYPES } from '@yard-spool/core';
import * as v from 'valibot';

const NUMBER = /^-?\d+(\.\d+)?$/;

/** A number as files write it: with a dot, without a unit. */
const number = (least: number, most: number, unit: string) =>
  v.pipe(
    v.string(),
    v.trim(),
    v.check((text) => !/^-?\d+,\d+$/.test(text), 'Numbers in files have a dot: 0.25, not 0,25.'),
    v.regex(NUMBER, 'This is not a number. Write it with a dot and without a unit.'),
    v.transform(Number),
    v.minValue(least, `This must be from ${least} to ${most} ${unit}.`),
    v.maxValue(most, `This must be from ${least} to ${most} ${unit}.`),
  );

/** A field left empty. */
const empty = v.pipe(
  v.string(),
  v.trim(),
  v.literal(''),
  v.transform(() => null),
);

/** The same, or nothing. */
const perhaps = (least: number, most: number, unit: string) =>
  v.union(
    [empty, number(least, most, unit)],
    (issue) => firstMessage(issue.issues) ?? `This must be empty or from ${least} to ${most} ${unit}.`,
  );

/** A union's own message says little; that of its last choice says what was wrong. */
const firstMessage = (issues: readonly v.BaseIssue<unknown>[] | undefined): string | undefined =>
  issues?.findLast(({ type }) => type !== 'literal')?.message;

const text = (most: number) =>
  v.pipe(v.string(), v.transform(someLines), v.maxLength(most, `At most ${most} characters.`));
const filled = (most: number) => v.pipe(text(most), v.minLength(1, 'This must be filled in.'));
const code = v.pipe(
  v.string(),
  v.trim(),
  v.toUpperCase(),
  v.regex(CODE_PATTERN, 'A code is 2 to 20 letters, digits and dashes.'),
);
const oneOf = <const T extends readonly string[]>(choices: T) =>
  v.pipe(v.string(), v.trim(), v.picklist(choices, `This must be one of ${choices.join(', ')}.`));
const toMm = v.transform((metres: number) => Math.round(metres * 1000));
const day = v.union(
  [empty, v.pipe(v.string(), v.trim(), DaySchema)],
  'A day is one there is, written like 2031-04-25, or left empty.',
);

const fileProduct = v.object({
  code: LineCodeSchema,
  name: filled(80),
  material: oneOf(MATERIALS),
  diameter_mm: number(0.04, 3, 'mm'),
  strength_kg: perhaps(0.1, 500, 'kg'),
  tint: v.pipe(v.string(), v.trim(), v.hexColor('A tint is written like #aab7bd.')),
  soak_hours: v.optional(perhaps(0, 72, 'hours'), ''),
  label_side: v.optional(
    v.union([empty, oneOf(LABEL_SIDES)], 'A label is laid up or down, or nothing is said.'),
    '',
  ),
  printed_strength: v.optional(text(40), ''),
  printed_diameter: v.optional(text(40), ''),
  maker_says: v.optional(text(200), ''),
});

export const ProductRowSchema = v.pipe(
  fileProduct,
  v.forward(
    v.check(({ material, soak_hours }) => mayBeSoaked(material, soak_hours), DRY_LINE),
    ['soak_hours'],
  ),
);

const pieceRow = v.object({
  code,
  product: code,
  kind: oneOf(PIECE_KINDS),
  place: text(40),
  received_m: v.pipe(number(1, 100_000, 'm'), toMm),
  left_m: v.pipe(number(0, 100_000, 'm'), toMm),
  lot: text(40),
  price: perhaps(0, 1_000_000, 'of the shop’s money'),
  tare_g: perhaps(0, 50_000, 'g'),
  flange_mm: perhaps(5, 600, 'mm'),
  core_mm: perhaps(5, 600, 'mm'),
  wound: oneOf(WOUND_WAYS),
  leaves: oneOf(LEAVES),
  new_on: day,
});

export const PieceRowSchema = v.pipe(
  pieceRow,
  v.forward(
    v.check(({ received_m, left_m }) => left_m <= received_m, 'More is left than ever came.'),
    ['left_m'],
  ),
);

const AFTER_THE_FIRST = MOVE_KINDS.filter((kind) => kind !== 'received');

export const MoveRowSchema = v.object({
  piece: code,
  at: v.pipe(
    v.string(),
    v.trim(),
    v.isoTimestamp('A time is written like 2031-04-25T09:30:00.000Z.'),
    InstantSchema,
    v.transform((iso) => new Date(iso)),
  ),
  kind: v.pipe(
    v.string(),
    v.trim(),
    v.picklist(
      AFTER_THE_FIRST,
      `This must be one of ${AFTER_THE_FIRST.join(', ')}. What was received comes with the pieces.`,
    ),
  ),
  moved_m: v.pipe(
    number(-100_000, 100_000, 'm'),
    toMm,
    v.check((mm) => mm !== 0, 'A move of nothing is no move.'),
  ),
  by: filled(80),
  why: text(200),
});

export const ReelRowSchema = v.object({
  label: filled(80),
  type: oneOf(REEL_TYPES),
  gear: number(0.5, 12, 'to one'),
  rating1_m: perhaps(5, 5000, 'm'),
  rating1_mm: perhaps(0.04, 3, 'mm'),
  rating2_m: perhaps(5, 5000, 'm'),
  rating2_mm: perhaps(0.04, 3, 'mm'),
  lip_mm: perhaps(12, 250, 'mm'),
  width_mm: perhaps(3, 200, 'mm'),
  arbor_mm: perhaps(4, 230, 'mm'),
});

export type ReelFileRow = v.InferOutput<typeof ReelRowSchema>;
export type PieceFileRow = v.InferOutput<typeof PieceRowSchema>;
export type MoveFileRow = v.InferOutput<typeof MoveRowSchema>;
