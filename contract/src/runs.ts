import { GIVEN_UP_TO, HOUSE_QUESTIONS, EXCEPTION_SCOPES, SUPPLY_WAYS } from '@yard-spool/core';
import * as v from 'valibot';
import { JobSchema } from './bags';
import { IdSchema, InstantSchema, line, MillimetresSchema } from './basics';
import { DeviceSchema } from './benches';
import { CounterAtBenchSchema } from './counter-of-bench';
import { DrawingSchema } from './drawing';
import { RunEventSchema, seenTurn } from './run-events';
import { HouseRulesSchema } from './house-rules';
import { MakerWordsSchema } from './products';
import { LEAVES } from './rack';

/** What a bench sends; the server says who it was. */
export const AppendEventsSchema = v.object({
  events: v.pipe(v.array(RunEventSchema), v.minLength(1), v.maxLength(500)),
});

/** What a run is made under, as it held when it began: later changes leave it alone. */
export const RunRulesSchema = v.object({
  rules: HouseRulesSchema,
  /** Where each rule that is not the house's comes from. */
  from: v.partial(
    v.object(
      Object.fromEntries(Object.keys(HOUSE_QUESTIONS).map((name) => [name, v.picklist(EXCEPTION_SCOPES)])),
    ),
  ),
  tailMm: MillimetresSchema,
  spanMm: v.number(),
  hand: v.picklist(['right', 'left']),
});
export type RunRules = v.InferOutput<typeof RunRulesSchema>;

export const NewRunSchema = v.object({ jobId: IdSchema, benchId: IdSchema });
/** Giving a run up: why, and where the line that is on goes. */
export const GiveUpSchema = v.object({ why: line('A reason', 120), line: v.picklist(GIVEN_UP_TO) });
export const ReopenRunSchema = v.object({ why: line('A reason', 200) });

/** Where the line of a layer leaves its supply. */
const SupplyAtBenchSchema = v.object({
  layer: v.string(),
  diameters: v.tuple([v.number(), v.number()]),
  measured: v.boolean(),
  leaves: v.picklist(LEAVES),
  /** Rated strength, kg; null where nobody knows it. */
  strengthKg: v.nullable(v.number()),
  /** What its maker says of it; left out where nobody wrote it down. */
  maker: v.exactOptional(MakerWordsSchema),
});

export const RunSchema = v.object({
  id: IdSchema,
  /** Its bench, as it is called now. */
  bench: v.string(),
  benchId: IdSchema,
  state: v.picklist(['open', 'closed', 'given-up']),
  bagNumber: IdSchema,
  customer: v.string(),
  reelsInBag: v.number(),
  /** The bag's notes. */
  notes: v.string(),
  job: JobSchema,
  under: RunRulesSchema,
  supplies: v.array(SupplyAtBenchSchema),
  /** What the piece of each layer held when the run was looked at, for what is wound to be held against. */
  pieces: v.record(v.string(), v.object({ length: v.number(), sd: v.number(), sealed: v.boolean() })),
  /** Whether this reel's spool seat is known to work the other way round. */
  seatReversed: v.boolean(),
  /** A reel of the same kind in the same bag that was filled before, with the turns its layers took, of its spool. */
  sister: v.nullable(
    v.object({
      tag: v.string(),
      gap: v.nullable(v.number()),
      layers: v.array(v.object({ layer: v.string(), spoolTurns: v.number() })),
    }),
  ),
  /** How the same spool was set up at its last fill here; null where there was none. */
  lastTime: v.nullable(
    v.object({
      at: InstantSchema,
      /** What was done about the lay. */
      washers: v.nullable(v.picklist(['leave', 'add-washer', 'take-washer-out'])),
      /** How the supply of the main stood. */
      supply: v.nullable(
        v.object({ way: v.picklist(SUPPLY_WAYS), supplyTurns: seenTurn, reelTurns: seenTurn }),
      ),
    }),
  ),
  /** What counts at its bench; none where it is counted by hand. */
  device: v.nullable(DeviceSchema),
  events: v.array(RunEventSchema),
});
export type Run = v.InferOutput<typeof RunSchema>;

/** A run that is not closed, as a list shows it. */
export const OpenRunSchema = v.object({
  id: IdSchema,
  bench: v.string(),
  bagNumber: IdSchema,
  customer: v.string(),
  position: v.number(),
  reelsInBag: v.number(),
  tag: v.string(),
  label: v.string(),
  /** Whether it was put aside. */
  aside: v.boolean(),
  promisedAt: InstantSchema,
  /** As it is planned. */
  drawing: DrawingSchema,
});
export type OpenRun = v.InferOutput<typeof OpenRunSchema>;

/** A run that stands at its counter: its reel waits to be walked. */
export const CounterWaitingSchema = v.object({
  id: IdSchema,
  tag: v.string(),
  label: v.string(),
  customer: v.string(),
});
export type CounterWaiting = v.InferOutput<typeof CounterWaitingSchema>;

/** What was added to a run's log. */
export const AddedEventsSchema = v.object({ events: v.array(RunEventSchema) });

/** What is told of a run while somebody watches it: its counter, and what was added to its log. */
export const RunFrameSchema = v.variant('kind', [
  /** None where the run's bench has no counter. */
  v.object({ kind: v.literal('counter'), counter: v.nullable(CounterAtBenchSchema) }),
  v.object({ kind: v.literal('log'), events: v.array(RunEventSchema) }),
]);
export type RunFrame = v.InferOutput<typeof RunFrameSchema>;
