import * as v from 'valibot';
import { limit, WordsSchema } from './words';
import { afterOf } from './pages';
import { NewProductSchema, ProductSchema } from './products';
import {
  CodeSchema,
  DaySchema,
  GramsSchema,
  IdSchema,
  InstantSchema,
  line,
  MillimetresSchema,
  text,
  VersionSchema,
  maybeLine,
} from './basics';

export const PIECE_KINDS = ['bulk', 'pack', 'remnant', 'salvage'] as const;
/** How line lies on its spool: rolled on without twist, or laid on over the end of another. */
export const WOUND_WAYS = ['rolled', 'over-end', 'unknown'] as const;
/** Which way line leaves over the end with the label up, seen from above. */
export const LEAVES = ['clockwise', 'anticlockwise', 'unknown'] as const;

const spoolDiameter = v.pipe(
  v.number(),
  v.minValue(5, limit('limit.at-least-mm', { what: 'A spool’s diameter', least: { mm: 5 } })),
  v.maxValue(600, limit('limit.at-most-mm', { what: 'A spool’s diameter', most: { mm: 600 } })),
);

/** Line on one piece is never longer than this, mm. */
export const MOST_ON_A_PIECE = 100_000_000;

/** What is printed on a piece or measured once, none of it needed to wind from it. */
export const PIECE_FACTS = {
  lot: text('A lot', 40),
  /** What the whole piece cost, in the hundredth part of the shop's money. */
  priceMinor: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(100_000_000))),
  /** The empty spool, g. */
  tareG: v.nullable(GramsSchema),
  flangeMm: v.nullable(spoolDiameter),
  coreMm: v.nullable(spoolDiameter),
  wound: v.picklist(WOUND_WAYS),
  leaves: v.picklist(LEAVES),
  /** For salvage: the day the line was new, as far as known. */
  newOn: v.nullable(DaySchema),
};

/** Where a piece lies in the water, and until when. */
export const SoakingSchema = v.object({
  /** Of the soak, by which the piece is taken out. */
  id: IdSchema,
  tub: v.string(),
  inAt: InstantSchema,
  readyAt: InstantSchema,
  tooLongAt: InstantSchema,
});

/** One length of line on the rack. */
export const PieceSchema = v.object({
  id: IdSchema,
  code: v.string(),
  product: ProductSchema,
  kind: v.picklist(PIECE_KINDS),
  place: v.string(),
  ...PIECE_FACTS,
  /** Facts that stand in the books and cannot be read; shown as unknown until they are written down again. */
  unread: v.exactOptional(v.array(v.string())),
  /** As it came. */
  receivedMm: MillimetresSchema,
  /** On it now: the sum of its ledger. */
  lengthMm: MillimetresSchema,
  /** Of that, promised to reels that are planned and not yet filled. */
  promisedMm: MillimetresSchema,
  opened: v.boolean(),
  writtenOff: v.boolean(),
  /** The bag it was brought with, where it is a customer's own line; null for stock. */
  broughtWith: v.nullable(IdSchema),
  soaking: v.nullable(SoakingSchema),
  /** Out of the water and not dry yet. */
  wetUntil: v.nullable(InstantSchema),
  version: VersionSchema,
});
export type Piece = v.InferOutput<typeof PieceSchema>;

/** What is printed on a piece or measured once. */
export type PieceFacts = Pick<Piece, keyof typeof PIECE_FACTS>;

/** The longest bulk spool taken in, 100 km. */
const MOST_MM = 100_000_000;

const place = v.optional(maybeLine('A place', 40), '');

/** Facts as a request may give them: each may be left out. */
const askedFacts = {
  lot: v.optional(PIECE_FACTS.lot, ''),
  priceMinor: v.optional(PIECE_FACTS.priceMinor, null),
  tareG: v.optional(PIECE_FACTS.tareG, null),
  flangeMm: v.optional(PIECE_FACTS.flangeMm, null),
  coreMm: v.optional(PIECE_FACTS.coreMm, null),
  wound: v.optional(PIECE_FACTS.wound, 'unknown'),
  leaves: v.optional(PIECE_FACTS.leaves, 'unknown'),
  newOn: v.optional(PIECE_FACTS.newOn, null),
};

/** What a bar code on a pack says. */
const PackCodeSchema = v.pipe(
  v.string(),
  v.trim(),
  v.regex(/^[\w-]{4,40}$/, 'A bar code is 4 to 40 letters, digits and dashes.'),
);
export const byPackCode = v.object({ code: PackCodeSchema });

/** What a bar code stands for here: the line and length of the last piece it was scanned for, and the next free code like it. */
export const PackSchema = v.object({
  product: ProductSchema,
  kind: v.picklist(PIECE_KINDS),
  place: v.string(),
  lengthMm: MillimetresSchema,
  nextCode: v.string(),
  ...PIECE_FACTS,
});
export type Pack = v.InferOutput<typeof PackSchema>;

export const NewPieceSchema = v.object({
  code: CodeSchema,
  product: v.union([v.object({ id: IdSchema }), NewProductSchema]),
  kind: v.picklist(PIECE_KINDS),
  place,
  ...askedFacts,
  lengthMm: v.pipe(
    MillimetresSchema,
    v.minValue(1000, limit('limit.at-least-m', { what: 'A piece', least: { m: 1 } })),
    v.maxValue(MOST_MM, limit('limit.at-most-m', { what: 'A piece', most: { m: MOST_MM / 1000 } })),
  ),
  /** The tag of the reel it was stripped from, for salvage. */
  fromReel: v.optional(v.nullable(CodeSchema), null),
  /** What its maker's bar code says, where it was scanned: the next one like it is known by it. */
  packCode: v.optional(v.nullable(PackCodeSchema), null),
});
export type NewPiece = v.InferInput<typeof NewPieceSchema>;

/** Moving, renaming, or writing down what is printed on it. The version is the one that was looked at. */
export const ChangePieceSchema = v.object({ version: VersionSchema, code: CodeSchema, place, ...askedFacts });
export type PieceChange = v.InferOutput<typeof ChangePieceSchema>;

const why = v.optional(text('A reason', 120), '');

/** What somebody counted on a piece; the books follow with a correcting move. */
export const CountPieceSchema = v.object({
  lengthMm: v.pipe(
    MillimetresSchema,
    v.minValue(0, 'A piece cannot hold less than zero.'),
    v.maxValue(MOST_MM, limit('limit.at-most-m', { what: 'A piece', most: { m: MOST_MM / 1000 } })),
  ),
  why,
  /** What the books said when it was counted: refused where they say something else by now. */
  booksMm: v.optional(v.nullable(MillimetresSchema), null),
  /** It holds less than is promised off it, and whoever counts knows whose promise breaks. */
  anyway: v.optional(v.boolean(), false),
});

export type PieceCount = v.InferInput<typeof CountPieceSchema>;

/** What a piece weighed. `dry` says that somebody knows it to be dry though it was in the water. */
export const WeighPieceSchema = v.object({
  grossG: GramsSchema,
  tareG: GramsSchema,
  dry: v.boolean(),
  by: v.picklist(['typed', 'scale']),
});

export type PieceWeighing = v.InferOutput<typeof WeighPieceSchema>;

/** A measured length that was weighed, from which grams per metre are learned. */
export const MassSampleSchema = v.object({
  lengthMm: v.pipe(
    MillimetresSchema,
    v.minValue(1000, limit('limit.measure', { least: { m: 1 } })),
    v.maxValue(MOST_MM),
  ),
  grams: v.pipe(
    v.number(),
    v.minValue(0.05, limit('limit.weigh', { least: { g: 0.05 } })),
    v.maxValue(50_000),
  ),
});

export const WriteOffSchema = v.object({ why: line('A reason', 120) });

export const MOVE_KINDS = [
  'received',
  'filled',
  'tail',
  'found',
  'counted',
  'weighed',
  'recycled',
  'written-off',
  'taken-back',
] as const;

/** One line of a piece's ledger. Never edited, never removed. */
export const MoveSchema = v.object({
  id: IdSchema,
  kind: v.picklist(MOVE_KINDS),
  /** Positive on to the piece, negative off it. */
  lengthMm: MillimetresSchema,
  at: InstantSchema,
  by: v.string(),
  why: WordsSchema,
});
export type Move = v.InferOutput<typeof MoveSchema>;

/** As of the end of a day, where one is given. */
const AsOfSchema = v.object({ asOf: v.optional(DaySchema) });

/** A page of the rack: what is looked for, of which kind, as of which day, from behind which piece on. */
export const RackQuerySchema = v.object({
  ...AsOfSchema.entries,
  find: v.optional(text('What to find', 80), ''),
  kind: v.optional(v.union([v.literal(''), v.picklist(PIECE_KINDS)], 'There is no such kind of piece.'), ''),
  after: afterOf(/^([01]_[\w-]{1,40})?$/),
});
export type RackQuery = v.InferOutput<typeof RackQuerySchema>;

/** A page of a piece's ledger: the moves before one of them, or the latest. */
export const LedgerQuerySchema = v.object({
  ...AsOfSchema.entries,
  before: v.optional(v.pipe(v.string(), v.regex(/^\d{1,12}$/), v.transform(Number))),
});

/** A piece with the latest moves of its ledger, oldest first, and whether there are earlier ones. */
export const PieceWithLedgerSchema = v.object({
  piece: PieceSchema,
  moves: v.array(MoveSchema),
  earlier: v.boolean(),
});
export type PieceWithLedger = v.InferOutput<typeof PieceWithLedgerSchema>;
