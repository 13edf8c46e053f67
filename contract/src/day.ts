import { OPERATIONS, REEL_TYPES } from '@yard-spool/core';
import * as v from 'valibot';
import { IdSchema, InstantSchema } from './basics';
import { DrawingSchema } from './drawing';
import { WordsSchema } from './words';

/** A reel as a row of the day names it. */
const DayReelSchema = v.object({
  jobId: IdSchema,
  runId: v.nullable(IdSchema),
  tag: v.string(),
  label: v.string(),
  type: v.picklist(REEL_TYPES),
  bag: IdSchema,
  /** As it is planned. */
  drawing: DrawingSchema,
});

/** Line that goes on a reel, or into the water: from which piece, and how much of it. */
const DayLineSchema = v.object({
  code: v.string(),
  name: v.string(),
  tint: v.string(),
  lengthMm: v.number(),
});

/** What one operation is called by: the same from one order of the day to the next. */
export const OperationIdSchema = v.pipe(
  v.string(),
  v.regex(/^[a-z]+:[\w-]{1,60}(:[\w-]{1,20})?$/, 'There is no such thing to do.'),
);

export const DayRowSchema = v.object({
  id: v.string(),
  kind: v.picklist(OPERATIONS),
  state: v.picklist(['done', 'now', 'next']),
  startAt: InstantSchema,
  endAt: InstantSchema,
  /** Its bench; null where it is done elsewhere. */
  benchId: v.nullable(IdSchema),
  personId: v.nullable(IdSchema),
  bags: v.array(IdSchema),
  reels: v.array(DayReelSchema),
  lines: v.array(DayLineSchema),
  /** Supplies put on for it. */
  changes: v.number(),
  /** The set its reel belongs to, by the name of what fills it together, and whether it was taken apart by hand. */
  set: v.nullable(v.object({ id: v.string(), apart: v.boolean() })),
  /** Whether somebody asked for it there, then, or by them. */
  pinned: v.boolean(),
});
export type DayRow = v.InferOutput<typeof DayRowSchema>;

/** What moved since the day was last looked at, and why. */
const MovedSchema = v.object({ id: v.string(), wasAt: InstantSchema, isAt: InstantSchema, why: WordsSchema });

/** How much time each open bag has in hand. */
const InHandSchema = v.object({
  number: IdSchema,
  customer: v.string(),
  promisedAt: InstantSchema,
  endAt: InstantSchema,
  /** By when it is ready nine times in ten. */
  surelyAt: InstantSchema,
  /** The chance that it is late, 0 to 1. */
  risk: v.number(),
});
export type BagInHand = v.InferOutput<typeof InHandSchema>;

/** The running order of a shop, from now on. */
export const DayPlanSchema = v.object({
  now: InstantSchema,
  /** Whether no bag was ever booked in: the shop is set up first. */
  isNew: v.boolean(),
  /** When the shop opens next, where it is closed now. */
  opensAt: v.nullable(InstantSchema),
  rows: v.array(DayRowSchema),
  benches: v.array(v.object({ id: IdSchema, name: v.string(), runId: v.nullable(IdSchema) })),
  people: v.array(v.object({ id: IdSchema, name: v.string(), here: v.boolean() })),
  tubs: v.array(
    v.object({
      name: v.string(),
      soaks: v.array(
        v.object({
          code: v.string(),
          tint: v.string(),
          inAt: InstantSchema,
          readyAt: InstantSchema,
          tooLongAt: InstantSchema,
        }),
      ),
    }),
  ),
  bags: v.array(InHandSchema),
  /** Reels that cannot be filled as things are, and what would give them a place. */
  noPlace: v.array(
    v.object({ jobId: IdSchema, tag: v.string(), bag: IdSchema, why: WordsSchema, cure: WordsSchema }),
  ),
  changes: v.number(),
  outings: v.number(),
  broken: v.number(),
  /** Bags that wait beyond those that are planned here. */
  later: v.number(),
  moved: v.array(MovedSchema),
  /** Whether a better order is still looked for: it is worth asking again soon. */
  improving: v.boolean(),
});
export type DayPlan = v.InferOutput<typeof DayPlanSchema>;

/** What is asked of one operation by hand; all null takes it back. */
export const DayWishSchema = v.object({
  benchId: v.nullable(IdSchema),
  personId: v.nullable(IdSchema),
  /** Not before. */
  earliestAt: v.nullable(InstantSchema),
  /** At that time, whatever else happens. */
  at: v.nullable(InstantSchema),
  /** A set that is filled reel by reel, wherever each finds its place. */
  apart: v.optional(v.boolean(), false),
});
export type DayWish = v.InferOutput<typeof DayWishSchema>;

/** Something that could be asked of one operation. */
export const DayTrySchema = v.object({ operation: OperationIdSchema, wish: DayWishSchema });
/** What it would do to each bag's time in hand; nothing is changed by it. */
export const DayTriedSchema = v.object({ bags: v.array(InHandSchema), broken: v.number() });
export type DayTried = v.InferOutput<typeof DayTriedSchema>;

/** Whether somebody is here for the rest of the day. */
export const HereSchema = v.object({ here: v.boolean() });

const time = (what: string) =>
  v.pipe(v.string(), v.trim(), v.regex(/^([01]\d|2[0-3]):[0-5]\d$/, `${what} is a time like 09:00.`));

/** When a shop is open: the same hours each day but those on which it is closed, Monday 1 to Sunday 7. */
export const OpenHoursSchema = v.pipe(
  v.object({
    opens: time('When it opens'),
    closes: time('When it closes'),
    closedOn: v.pipe(
      v.array(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(7))),
      v.maxLength(6, 'A shop is open on at least one day.'),
    ),
  }),
  v.forward(
    v.check(({ opens, closes }) => opens < closes, 'It closes after it opens.'),
    ['closes'],
  ),
);
export type OpenHours = v.InferOutput<typeof OpenHoursSchema>;

/** Until the shop says otherwise; from memory. */
export const USUAL_HOURS: OpenHours = { opens: '09:00', closes: '18:00', closedOn: [7] };
