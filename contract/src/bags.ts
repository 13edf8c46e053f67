import * as v from 'valibot';
import { CodeSchema, IdSchema, InstantSchema, line, MillimetresSchema, UuidSchema } from './basics';
import { CustomerSchema, NewCustomerSchema } from './customers';
import { PIECE_KINDS } from './rack';
import { FillPlanSchema, PlanInputSchema } from './plan';

export const REEL_TYPES = ['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'] as const;
export type ReelType = (typeof REEL_TYPES)[number];

/** What a layer of the plan is to be cut from. */
export const CutSchema = v.object({ layer: v.string(), pieceId: IdSchema });

/** A cut as kept: what it comes to, with the piece it is from. */
export const PlannedCutSchema = v.object({
  layer: v.string(),
  pieceId: IdSchema,
  pieceCode: v.string(),
  productName: v.string(),
  tint: v.string(),
  pieceKind: v.picklist(PIECE_KINDS),
  lengthMm: MillimetresSchema,
  /** Whether its piece lies in a tub, or is out of it and not dry yet. */
  water: v.picklist(['dry', 'soaking', 'wet']),
});
export type PlannedCut = v.InferOutput<typeof PlannedCutSchema>;

/** One reel as it is booked in. */
export const NewJobSchema = v.object({
  /** The reel's tag, if it has one; a new one is made otherwise. */
  tag: v.exactOptional(CodeSchema),
  type: v.picklist(REEL_TYPES, 'Say what type of reel it is.'),
  label: line('What the reel is called'),
  planInput: PlanInputSchema,
  cuts: v.pipe(v.array(CutSchema), v.maxLength(12)),
});

export const NewBagSchema = v.object({
  /** Made by the client, so that sending a booking twice makes one bag. */
  key: UuidSchema,
  customer: v.union([v.object({ id: IdSchema }), NewCustomerSchema]),
  promisedAt: InstantSchema,
  notes: v.optional(
    v.pipe(v.string(), v.trim(), v.maxLength(500, 'Notes can be 500 characters at most.')),
    '',
  ),
  jobs: v.pipe(v.array(NewJobSchema), v.minLength(1, 'A bag has at least one reel.'), v.maxLength(20)),
});
export type NewBag = v.InferInput<typeof NewBagSchema>;

export const JobStateSchema = v.picklist(['booked', 'on-the-bench', 'filled']);

/** One spool of one bag: what is to go on it and how far that is. */
export const JobSchema = v.object({
  id: IdSchema,
  position: v.number(),
  state: JobStateSchema,
  tag: v.string(),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  planInput: PlanInputSchema,
  plan: FillPlanSchema,
  cuts: v.array(PlannedCutSchema),
  runId: v.nullable(IdSchema),
});
export type Job = v.InferOutput<typeof JobSchema>;

export const BagSchema = v.object({
  number: IdSchema,
  customer: CustomerSchema,
  promisedAt: InstantSchema,
  notes: v.string(),
  bookedAt: InstantSchema,
  bookedBy: v.string(),
  jobs: v.array(JobSchema),
});
export type Bag = v.InferOutput<typeof BagSchema>;

/** A bag as a list shows it. */
export const BagRowSchema = v.object({
  number: IdSchema,
  customer: v.string(),
  promisedAt: InstantSchema,
  jobs: v.array(
    v.object({
      id: IdSchema,
      tag: v.string(),
      label: v.string(),
      state: JobStateSchema,
      runId: v.nullable(IdSchema),
    }),
  ),
});
export type BagRow = v.InferOutput<typeof BagRowSchema>;
