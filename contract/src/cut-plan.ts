import { CUT_LEVELS, WATER_STATES } from '@yard-spool/core';
import * as v from 'valibot';
import { CodeSchema, IdSchema, InstantSchema, KeySchema, MillimetresSchema } from './basics';
import { ProductSchema } from './products';
import { PIECE_KINDS } from './rack';
import { WordsSchema } from './words';

/** A layer of a reel that waits, by its job. */
const layerOf = { jobId: IdSchema, layer: KeySchema };

/** What cuts come to. */
export const CutFiguresSchema = v.object({
  /** Reels and layers that get no line. */
  unserved: v.number(),
  /** Main below what is wanted, over those that are served. */
  shortMm: v.number(),
  /** Sealed pieces that are opened for it. */
  opened: v.number(),
  /** Remnants left too short to be of use. */
  scrapMm: v.number(),
  /** What is lost with the cuts. */
  tailsMm: v.number(),
  /** Scrap and tails in the hundredth part of the shop's money, as far as prices are written down. */
  wasteMinor: v.number(),
});
export type CutFigures = v.InferOutput<typeof CutFiguresSchema>;

/** One length that would come off a piece. */
const PlannedOffSchema = v.object({ ...layerOf, tag: v.string(), lengthMm: MillimetresSchema });

/** A piece of the rack with what would be cut from it. */
const PieceOfPlanSchema = v.object({
  code: v.string(),
  product: ProductSchema,
  kind: v.picklist(PIECE_KINDS),
  place: v.string(),
  lot: v.string(),
  opened: v.boolean(),
  water: v.picklist(WATER_STATES),
  /** What these cuts may take: all that is not promised to reels under way. */
  freeMm: MillimetresSchema,
  receivedMm: MillimetresSchema,
  offs: v.array(PlannedOffSchema),
  leftMm: MillimetresSchema,
  tailsMm: MillimetresSchema,
  isScrap: v.boolean(),
  /** When it is here, where it is on order; its place is that day then. */
  comesAt: v.nullable(InstantSchema),
});
export type PieceOfPlan = v.InferOutput<typeof PieceOfPlanSchema>;

/** A layer of a reel that waits: which piece it is cut from now, and which it would be. */
const LayerOfPlanSchema = v.object({
  ...layerOf,
  role: v.string(),
  tag: v.string(),
  label: v.string(),
  bag: IdSchema,
  customer: v.string(),
  promisedAt: InstantSchema,
  /** The code of its line. */
  line: v.string(),
  wantedMm: MillimetresSchema,
  /** The shortest main the customer accepts; null where it is not asked for less, or it is no main. */
  leastMm: v.nullable(MillimetresSchema),
  /** Whether less of it could be made up by backing. */
  mayGive: v.boolean(),
  now: v.nullable(v.string()),
  planned: v.nullable(v.string()),
  /** The second piece, where it is joined from two. */
  nowJoined: v.nullable(v.string()),
  plannedJoined: v.nullable(v.string()),
  /** Whether some of it is on order: it waits until that comes. */
  comes: v.boolean(),
  /** What of it the plan gives; the same as wanted where it gives nothing up. */
  givenMm: MillimetresSchema,
  /** Whether it is cut from one lot with others of its bag. */
  matches: v.boolean(),
  /** Whether somebody asked for this piece. */
  pinned: v.boolean(),
});
export type LayerOfPlan = v.InferOutput<typeof LayerOfPlanSchema>;

const ShortageSchema = v.object({
  ...layerOf,
  tag: v.string(),
  what: WordsSchema,
  cures: v.array(WordsSchema),
  /** When line that is on order for it is here; null where none is. */
  comesAt: v.nullable(InstantSchema),
});

const MovedCutSchema = v.object({
  ...layerOf,
  tag: v.string(),
  was: v.nullable(v.string()),
  is: v.nullable(v.string()),
  why: WordsSchema,
});

/** Which reel is fed from which piece: as it is booked, and as it would be best. */
export const CutsPlanSchema = v.object({
  /** By which it is accepted: another plan has another. */
  revision: v.string(),
  /** A better one is looked for. */
  looking: v.boolean(),
  pieces: v.array(PieceOfPlanSchema),
  layers: v.array(LayerOfPlanSchema),
  /** As it is booked, as it would be, and as it would be with one bag looked at after another. */
  now: CutFiguresSchema,
  planned: CutFiguresSchema,
  firstCome: CutFiguresSchema,
  /** Levels that may still be better, and by how much at most: reels, pieces or metres; null where it is not known. */
  open: v.array(v.object({ level: v.picklist(CUT_LEVELS), gap: v.nullable(v.number()) })),
  shortages: v.array(ShortageSchema),
  moved: v.array(MovedCutSchema),
  /** What plans that were accepted saved against what was booked, over the last twelve months. */
  saved: v.object({ plans: v.number(), minor: v.number(), scrapMm: v.number() }),
});
export type CutsPlan = v.InferOutput<typeof CutsPlanSchema>;

/** Line on order as a plan calls it: by its order, and which of its packs it is. */
const OnOrderSchema = v.pipe(v.string(), v.regex(/^order \d{1,10}, \d{1,6}$/));

/** A layer on a piece of its line, or on line that is on order, as somebody asks for it. */
export const CutAskedSchema = v.object({ ...layerOf, piece: v.union([CodeSchema, OnOrderSchema]) });

/** What a plan would come to with it; null where no plan has it so. */
export const CutTriedSchema = v.object({
  planned: CutFiguresSchema,
  with: v.nullable(CutFiguresSchema),
});
export type CutTried = v.InferOutput<typeof CutTriedSchema>;

/** The same, kept; no piece takes it back. */
export const CutPinSchema = v.object({ ...layerOf, piece: v.nullable(CodeSchema) });

/** The shortest main the customer accepts on one reel; null where all of it is wanted. */
export const LeastMainSchema = v.object({ jobId: IdSchema, leastMm: v.nullable(MillimetresSchema) });

export const AcceptCutsSchema = v.object({ revision: v.pipe(v.string(), v.maxLength(80)) });
