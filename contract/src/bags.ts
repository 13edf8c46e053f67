import { REEL_TYPES } from '@yard-spool/core';
import * as v from 'valibot';
import { limit, WordsSchema } from './words';
import { afterOf } from './pages';
import {
  CodeSchema,
  IdSchema,
  InstantSchema,
  line,
  MillimetresSchema,
  text,
  UuidSchema,
  VersionSchema,
} from './basics';
import { CustomerSchema, NewCustomerSchema } from './customers';
import { DrawingSchema, LineOnSchema } from './drawing';
import { BroughtLineSchema, CutsSchema, PlannedCutSchema } from './cuts';
import { FillPlanSchema, LineSchema, ObservationSchema, PlanInputSchema } from './plan';

/** What the customer wants beside the line itself. */
export const WantsSchema = v.object({
  /** The least main they would accept; null where only the whole will do. */
  leastMm: v.nullable(v.pipe(MillimetresSchema, v.minValue(1000), v.maxValue(5_000_000))),
  /** A leader or bumper, in words: what, how long, how joined. */
  leader: text('A leader', 80),
  /** Drag to hand it back with, kg; null for as the house sets it. */
  dragKg: v.nullable(
    v.pipe(
      v.number(),
      v.minValue(0.1),
      v.maxValue(60, limit('limit.at-most-kg', { what: 'A drag', most: { kg: 60 } })),
    ),
  ),
  /** What is on it now, in words. */
  onItNow: text('What is on it', 120),
  /** Main first, backing on top, then over to the other spool. */
  mainFirst: v.boolean(),
  /** Its own line is turned end for end, over to its other spool; nothing is drawn from the rack. */
  endForEnd: v.optional(v.boolean(), false),
  /** Its line stays on as it is, and its counter is matched: what that asks for is wound on or taken off. */
  counterOnly: v.optional(v.boolean(), false),
  /** Who settled the gap: the house's rule, which the plan then follows, or whoever typed it. */
  gap: v.optional(v.picklist(['house', 'typed', 'counter']), 'typed'),
  /** Depth of the bottom of a bevelled rim below the lip, mm; null where the rim is plain. */
  bevelMm: v.optional(v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(20))), null),
});
export type Wants = v.InferOutput<typeof WantsSchema>;
export const NO_WANTS: Wants = {
  leastMm: null,
  leader: '',
  dragKg: null,
  onItNow: '',
  mainFirst: false,
  endForEnd: false,
  counterOnly: false,
  gap: 'typed',
  bevelMm: null,
};

/** The spool of a reel, the one it came with unless said. */
const spoolName = v.optional(line('A spool', 40), 'own');

/** One reel as it is booked in. */
export const NewJobSchema = v.object({
  /** The reel's tag, if it has one; a new one is made otherwise. */
  tag: v.exactOptional(CodeSchema),
  type: v.picklist(REEL_TYPES, 'Say what type of reel it is.'),
  label: line('What the reel is called'),
  /** What tells it from others like it: its colour, a mark, a nick. */
  looks: v.optional(text('What it looks like', 80), ''),
  spool: spoolName,
  /** Another spool of the reel that stands at this place in the bag, counted from 0. */
  sameReelAs: v.optional(v.nullable(v.pipe(v.number(), v.integer(), v.minValue(0))), null),
  planInput: PlanInputSchema,
  cuts: CutsSchema,
  wants: v.optional(WantsSchema, NO_WANTS),
});
export type NewJob = v.InferInput<typeof NewJobSchema>;

/** Line the customer brings, which cuts refer to by its place. */
const brought = v.optional(v.pipe(v.array(BroughtLineSchema), v.maxLength(12)), []);

export const NewBagSchema = v.object({
  /** Made by the client, so that sending a booking twice makes one bag. */
  key: UuidSchema,
  customer: v.union([v.object({ id: IdSchema }), NewCustomerSchema]),
  promisedAt: InstantSchema,
  notes: v.optional(text('Notes', 500), ''),
  brought,
  jobs: v.pipe(v.array(NewJobSchema), v.minLength(1, 'A bag has at least one reel.'), v.maxLength(20)),
});
export type NewBag = v.InferInput<typeof NewBagSchema>;

/** In the order a reel goes through them; a cancelled one went no further. */
export const JOB_STATES = [
  'booked',
  'on-the-bench',
  'to-check',
  'ready',
  'handed-back',
  'cancelled',
] as const;
export const JobStateSchema = v.picklist(JOB_STATES);
export type JobState = v.InferOutput<typeof JobStateSchema>;

/** One spool of one bag: what is to go on it and how far that is. */
export const JobSchema = v.object({
  id: IdSchema,
  position: v.number(),
  state: JobStateSchema,
  tag: v.string(),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  looks: v.string(),
  spool: v.string(),
  wants: WantsSchema,
  planInput: PlanInputSchema,
  plan: FillPlanSchema,
  cuts: v.array(PlannedCutSchema),
  runId: v.nullable(IdSchema),
});
export type Job = v.InferOutput<typeof JobSchema>;

/** Something that was done to a bag, in words. */
export const BagChangeSchema = v.object({ at: InstantSchema, by: v.string(), what: WordsSchema });

export const BagSchema = v.object({
  number: IdSchema,
  version: VersionSchema,
  customer: CustomerSchema,
  promisedAt: InstantSchema,
  notes: v.string(),
  bookedAt: InstantSchema,
  bookedBy: v.string(),
  jobs: v.array(JobSchema),
  /** The customer's own line: what is left of it goes back with the bag. */
  brought: v.array(
    v.object({
      pieceId: IdSchema,
      code: v.string(),
      name: v.string(),
      tint: v.string(),
      broughtMm: MillimetresSchema,
      leftMm: MillimetresSchema,
      /** Whether it went back already. */
      back: v.boolean(),
    }),
  ),
  /** Newest first. */
  history: v.array(BagChangeSchema),
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
      type: v.picklist(REEL_TYPES),
      /** As it is planned: drawn, and its lines from the top down. */
      drawing: DrawingSchema,
      lines: v.array(LineOnSchema),
      /** Whether its line stays on and only its counter is matched. */
      counterOnly: v.boolean(),
    }),
  ),
});
export type BagRow = v.InferOutput<typeof BagRowSchema>;

/** Bags as the counter goes through them: with a reel to fill, with all filled, with all gone. */
export const BAG_GROUPS = ['waiting', 'filled', 'over'] as const;
export type BagGroup = (typeof BAG_GROUPS)[number];

/** Which bags, by the words they hold (number, customer, tag, reel) and the state of a reel. */
export const BagsQuerySchema = v.object({
  group: v.optional(v.picklist(BAG_GROUPS), 'waiting'),
  find: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(80)), ''),
  state: v.optional(v.union([v.literal(''), JobStateSchema]), ''),
  after: afterOf(/^(\d{1,15}_\d{1,12})?$/),
});

/** A change of promise or notes, made on the version that was looked at. */
export const ChangeBagSchema = v.object({
  version: VersionSchema,
  promisedAt: InstantSchema,
  notes: text('Notes', 500),
});

/** A reel planned again before it goes to the bench; the line promised before is given back first. */
export const ChangeJobSchema = v.object({
  version: VersionSchema,
  type: v.picklist(REEL_TYPES, 'Say what type of reel it is.'),
  label: line('What the reel is called'),
  planInput: PlanInputSchema,
  cuts: CutsSchema,
  /** Line the customer brings that is not here yet. */
  brought,
  wants: v.optional(WantsSchema, NO_WANTS),
});
export type JobChange = v.InferOutput<typeof ChangeJobSchema>;

/** Calling a bag off, or some reels of it, with a reason. */
export const CancelSchema = v.object({ version: VersionSchema, why: line('A reason', 120) });

/** Cancelled reels of a bag that are booked again as they were. */
export const RestoreJobsSchema = v.object({
  version: VersionSchema,
  jobs: v.pipe(v.array(IdSchema), v.minLength(1, 'Name the reels.'), v.maxLength(100)),
});
export type RestoreJobs = v.InferOutput<typeof RestoreJobsSchema>;

/** Moving a reel on: checked and ready, or handed back; or one step back, where that was a slip. */
export const MoveJobSchema = v.object({
  version: VersionSchema,
  to: v.picklist(['to-check', 'ready', 'handed-back']),
  undo: v.optional(v.boolean(), false),
});
export type MoveJob = v.InferOutput<typeof MoveJobSchema>;

/** A reel a customer has had here, with how it was filled last. */
export const CustomerReelSchema = v.object({
  tag: v.string(),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  looks: v.string(),
  /** What lies on its spools, arbor first, as it is on record; spools with nothing on record are left out. */
  on: v.array(
    v.object({
      spool: v.string(),
      lipRadius: v.number(),
      layers: v.array(
        v.object({
          line: LineSchema,
          name: v.string(),
          tint: v.string(),
          role: v.string(),
          length: v.number(),
          innerRadius: v.number(),
          outerRadius: v.number(),
        }),
      ),
    }),
  ),
  last: v.nullable(
    v.object({
      at: InstantSchema,
      spool: v.string(),
      planInput: PlanInputSchema,
      cuts: v.array(PlannedCutSchema),
      wants: WantsSchema,
    }),
  ),
});
export type CustomerReel = v.InferOutput<typeof CustomerReelSchema>;

/** A reel found by its tag: whose it is, and how it was filled last. */
export const TaggedReelSchema = v.object({ customer: CustomerSchema, reel: CustomerReelSchema });

/** A kind of reel the shop has seen: what is known of all of them. */
export const ReelKindSchema = v.object({
  id: IdSchema,
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  observations: v.array(ObservationSchema),
  /** What closed fills of its reels say of another one. */
  learned: v.array(ObservationSchema),
  gear: v.number(),
  /** How many reels of it have been booked in. */
  timesSeen: v.number(),
  version: VersionSchema,
});
export type ReelKind = v.InferOutput<typeof ReelKindSchema>;

export const ChangeReelKindSchema = v.object({
  version: VersionSchema,
  label: line('What the kind is called'),
  type: v.picklist(REEL_TYPES),
  observations: v.pipe(v.array(ObservationSchema), v.maxLength(20)),
  gear: v.pipe(v.number(), v.minValue(0.5), v.maxValue(12)),
});

/** Two entries that are one kind: this one goes into the other. */
export const MergeReelKindsSchema = v.object({ into: IdSchema });
