import { COUNTER_UNITS, type RecordedMatch, type LaidBelow } from '@yard-spool/core';
import * as v from 'valibot';
import { sameAs } from './same';
import { IdSchema, InstantSchema, MillimetresSchema, VersionSchema } from './basics';
import { ComebackSchema, OnSpoolSchema } from './record';
import { REEL_TYPES } from '@yard-spool/core';
import { PIECE_KINDS } from './rack';
import { CustomerSchema, CustomerSearchSchema } from './customers';
import { afterOf } from './pages';
import { DrawingSchema } from './drawing';
import { RunRulesSchema } from './runs';
import { LineSchema, ObservationSchema, SpoolGeometrySchema } from './plan';

/** What a length can rest on. */
export const BASES = [
  'counter',
  'hand-count',
  'meter',
  'depth',
  'used-up',
  'weighed',
  'plan',
  'corrected',
] as const;

/** One layer as it went on. */
export const FillLayerSchema = v.object({
  id: v.string(),
  /** `kept` is old line that stayed on. */
  role: v.picklist(['backing', 'main', 'cushion', 'top-shot', 'kept']),
  line: LineSchema,
  lineName: v.string(),
  tint: v.string(),
  pieceCode: v.nullable(v.string()),
  pieceKind: v.nullable(v.picklist(PIECE_KINDS)),
  /** The lot of its piece; empty where it is not known. */
  lot: v.string(),
  lengthMm: MillimetresSchema,
  /** Whether its piece was in the water, or still wet from it, when it was wound. */
  wet: v.boolean(),
  /** Least and most it likely is, mm; the same as the length where it was recorded without. */
  likelyMm: v.tuple([MillimetresSchema, MillimetresSchema]),
  /** What the length rests on; empty where it was recorded without. */
  restsOn: v.array(v.picklist(BASES)),
  handleTurns: v.number(),
  innerRadius: v.number(),
  outerRadius: v.number(),
});
export type FillLayer = v.InferOutput<typeof FillLayerSchema>;

const CounterSpoolSchema = v.object({
  width: v.number(),
  outer: v.number(),
  lip: v.number(),
  layers: v.array(v.object({ inner: v.number(), area: v.number() })),
});

/** How a counter was set up, as it is kept with its fill. */
export const RecordedMatchSchema = sameAs<RecordedMatch>()(
  v.object({
    unit: v.picklist(COUNTER_UNITS),
    step: v.number(),
    match: v.number(),
    walks: v.array(
      v.object({
        tape: v.number(),
        reading: v.number(),
        typed: v.exactOptional(v.number()),
        began: v.exactOptional(v.number()),
        expected: v.nullable(v.number()),
        moved: v.number(),
        over: v.picklist(['field', 'meter']),
        by: v.string(),
        at: v.string(),
      }),
    ),
    reads: v.number(),
    agrees: v.boolean(),
    perTurn: v.number(),
    sd: v.number(),
    readsSd: v.number(),
    spool: CounterSpoolSchema,
    depth: v.number(),
    tight: v.nullable(v.boolean()),
  }),
);

/** A counter of a customer's reel, as it was matched last. */
export const CustomerCounterSchema = v.object({
  tag: v.string(),
  label: v.string(),
  filledAt: InstantSchema,
  counter: RecordedMatchSchema,
});
export type CustomerCounter = v.InferOutput<typeof CustomerCounterSchema>;

/** Tape, a reducer, and washers more (or fewer) than the reel came with. Thickness and diameter in mm. */
export const LaidBelowSchema = sameAs<LaidBelow>()(
  v.object({
    tape: v.nullable(v.object({ wraps: v.number(), thickness: v.number() })),
    reducer: v.nullable(v.number()),
    washers: v.nullable(v.number()),
  }),
);

/** A fill of a spool: what is on it from that day on. */
export const FillSchema = v.object({
  id: IdSchema,
  runId: IdSchema,
  bagNumber: IdSchema,
  /** Which of the reel's spools. */
  spoolName: v.string(),
  closedAt: InstantSchema,
  by: v.string(),
  /** Gap as read at the bench, mm; null where nobody read it. */
  gapRead: v.nullable(v.number()),
  /** Gap the count comes to, mm. */
  gapByCount: v.number(),
  spool: SpoolGeometrySchema,
  /** The rules it was filled under. */
  under: RunRulesSchema,
  layers: v.array(FillLayerSchema),
  /** What lies under its line; null for a fill from before that was kept. */
  laid: v.nullable(LaidBelowSchema),
  /** How its counter was set up; null where it has none, or was never walked. */
  counter: v.nullable(RecordedMatchSchema),
  /** How often something in it was put right. */
  corrections: v.number(),
  comebacks: v.array(ComebackSchema),
});
export type Fill = v.InferOutput<typeof FillSchema>;

export const ReelRowSchema = v.object({
  tag: v.string(),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  customer: v.string(),
  filledAt: v.nullable(InstantSchema),
  /** What lies on it now; null where nothing of ours does. */
  drawing: v.nullable(DrawingSchema),
});
export type ReelRow = v.InferOutput<typeof ReelRowSchema>;

export const ReelsQuerySchema = v.object({ ...CustomerSearchSchema.entries, after: afterOf(/^[^\n]*$/) });

export const ReelSchema = v.object({
  tag: v.string(),
  version: VersionSchema,
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  /** What tells it from others like it; empty where nobody said. */
  looks: v.string(),
  customer: CustomerSchema,
  /** Newest first. */
  fills: v.array(FillSchema),
  /** Its spools, with all that was read of each. */
  spools: v.array(
    v.object({
      name: v.string(),
      observations: v.array(ObservationSchema),
      /** What lies on it now, and when that is due. */
      on: v.nullable(OnSpoolSchema),
    }),
  ),
  /** Its gear, and whether a fill showed it rather than a booking; null where neither said it. */
  gear: v.nullable(v.object({ ratio: v.number(), found: v.boolean() })),
  /** Its other tags, and what was done to its entry, newest first. */
  tags: v.array(v.string()),
  history: v.array(v.object({ at: InstantSchema, by: v.string(), what: v.string() })),
  /** The bag it is waiting in, if it is. */
  waiting: v.nullable(v.object({ bagNumber: IdSchema, jobId: IdSchema, runId: v.nullable(IdSchema) })),
});
export type Reel = v.InferOutput<typeof ReelSchema>;
