import {
  COUNTER_UNITS,
  DOUBT_CAUSES,
  GIVEN_UP_TO,
  HOUSE_QUESTIONS,
  EXCEPTION_SCOPES,
  SUPPLY_WAYS,
  type RunEvent,
  type RunFacts,
} from '@yard-spool/core';
import * as v from 'valibot';
import { JobSchema, type Job } from './bags';
import { IdSchema, InstantSchema, line, MillimetresSchema, UuidSchema } from './basics';
import { DeviceSchema } from './benches';
import { HouseRulesSchema } from './house-rules';
import { LEAVES } from './rack';

const finite = v.pipe(v.number(), v.finite());
const id = v.pipe(v.string(), v.minLength(1), v.maxLength(40));
/** More handle turns than any fill takes, to catch a slip of the finger. */
const turns = v.pipe(finite, v.minValue(-20_000), v.maxValue(20_000));
/** Spool turns to one counted turn: a gear, or 1 on a winder. */
const per = v.pipe(finite, v.minValue(0.1), v.maxValue(12));
const metres = v.pipe(finite, v.minValue(0), v.maxValue(20_000));
/** Marks people walk to, m. */
const walkLength = v.pipe(
  finite,
  v.minValue(5, 'A mark lies at least 5 m out.'),
  v.maxValue(300, 'A mark lies at most 300 m out.'),
);
const depth = v.pipe(
  finite,
  v.minValue(-3, 'A depth is at least -3 mm.'),
  v.maxValue(80, 'A depth is at most 80 mm.'),
);
const seenTurn = v.nullable(v.picklist(['clockwise', 'anticlockwise']));
const deviceName = v.pipe(v.string(), v.minLength(1), v.maxLength(20));

/** More than any counter shows, and still a number a reply can carry. */
const count = v.pipe(finite, v.minValue(-1e12), v.maxValue(1e12));
/** What the bench's counter stood at as the technician saw it. */
const seen = v.exactOptional(v.object({ device: deviceName, count, unheard: v.exactOptional(v.boolean()) }));
const fromDevice = { device: v.exactOptional(deviceName), count: v.exactOptional(count) };

const shared = { id: UuidSchema, run: v.string(), seq: IdSchema, at: InstantSchema, by: v.string() };
const of = <const K extends string, P extends v.ObjectEntries>(kind: K, payload: P) =>
  v.object({ ...shared, kind: v.literal(kind), payload: v.object(payload) });

const atBench = { bench: line('A bench', 20), benchId: v.exactOptional(IdSchema) };

/** What may be written down at a step: a word, a figure, a yes. */
const note = v.union([v.pipe(v.string(), v.maxLength(200)), finite, v.boolean()]);

export const RunEventSchema: v.GenericSchema<RunEvent> = v.variant('kind', [
  of('started', atBench),
  of('taken-up', { ...atBench, seen }),
  of('step-done', {
    step: id,
    by: v.exactOptional(v.literal('eye')),
    usedUp: v.exactOptional(v.boolean()),
    seen,
  }),
  of('step-again', { steps: v.pipe(v.array(id), v.minLength(1), v.maxLength(40)), seen }),
  of('step-skipped', { step: id, seen }),
  of('turns', {
    layer: id,
    turns,
    per: v.exactOptional(per),
    ...fromDevice,
    from: v.exactOptional(count),
    seen,
  }),
  of('metres', {
    layer: id,
    metres: v.pipe(finite, v.minValue(-20_000), v.maxValue(20_000)),
    ...fromDevice,
    from: v.exactOptional(count),
  }),
  of('count-set', {
    layer: id,
    turns: v.pipe(turns, v.minValue(0, 'A count is zero or more.')),
    per: v.exactOptional(per),
    seen,
  }),
  of('held', { on: v.boolean(), ...fromDevice }),
  of('device-at', { device: deviceName, count }),
  of('depth-read', { after: id, depth, by: v.picklist(['calliper', 'eye']) }),
  of('supply', {
    layer: id,
    way: v.picklist(SUPPLY_WAYS),
    supplyTurns: seenTurn,
    reelTurns: seenTurn,
  }),
  of('slack-read', {
    layer: id,
    pinched: v.pipe(finite, v.minValue(0.2), v.maxValue(20)),
    plyTurns: v.pipe(finite, v.minValue(0), v.maxValue(500)),
    wound: metres,
  }),
  of('restarted', { layer: id, why: v.picklist(['supply-turned', 'slipped', 'loose', 'other']), seen }),
  of('lay-read', {
    layer: id,
    rear: depth,
    front: depth,
    centre: v.exactOptional(depth),
    did: v.picklist(['leave', 'add-washer', 'take-washer-out']),
    wound: metres,
  }),
  of('tension-read', { layer: id, holds: v.boolean(), wound: v.exactOptional(metres) }),
  of('settled', {
    cause: v.picklist(['gear', 'count', 'depth', 'packing', 'line', 'piece', 'meter', 'none']),
    about: v.pipe(v.string(), v.maxLength(40)),
  }),
  of('chosen', {
    layer: id,
    how: v.picklist(['take-off', 'smaller-gap', 'cut-short', 'another-length']),
    gap: v.exactOptional(depth),
    length: v.exactOptional(metres),
  }),
  of('walked', {
    layer: id,
    match: walkLength,
    tape: walkLength,
    reading: v.pipe(
      finite,
      v.minValue(1, 'A counter reads at least 1 at its mark.'),
      v.maxValue(2000, 'A counter reads at most 2,000 at its mark.'),
    ),
    unit: v.picklist(COUNTER_UNITS),
    step: v.pipe(finite, v.minValue(0.01), v.maxValue(10)),
    over: v.picklist(['field', 'meter']),
    expected: v.exactOptional(v.pipe(finite, v.minValue(0), v.maxValue(20_000))),
    cause: v.exactOptional(v.picklist(DOUBT_CAUSES)),
    left: v.exactOptional(v.boolean()),
    earlier: v.exactOptional(
      v.object({
        walk: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200)),
        tape: walkLength,
      }),
    ),
  }),
  of('moving', { on: v.boolean(), seen }),
  of('noted', { step: id, values: v.record(id, note) }),
  of('piece-changed', {
    layer: id,
    pieceId: IdSchema,
    code: v.pipe(v.string(), v.maxLength(20)),
    usedUp: v.boolean(),
  }),
  of('put-aside', { why: v.pipe(v.string(), v.maxLength(120)) }),
  of('given-up', { why: line('A reason', 120), line: v.picklist(GIVEN_UP_TO) }),
  of('undone', { event: UuidSchema }),
  of('closed', {}),
  of('reopened', { why: line('A reason', 200) }),
]);

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

/** What the steps of a run are made from. */
export const runFacts = ({
  job: { planInput, type, wants },
  under,
}: {
  readonly job: Pick<Job, 'planInput' | 'type' | 'wants'>;
  readonly under: Pick<RunRules, 'rules'>;
}): RunFacts => ({
  request: planInput.request,
  type,
  rules: under.rules,
  mainFirst: wants.mainFirst,
  leader: wants.leader !== '',
  turned: wants.endForEnd,
});

/** What was added to a run's log. */
export const AddedEventsSchema = v.object({ events: v.array(RunEventSchema) });

/** The counter of a run's bench. */
const CounterAtBenchSchema = v.object({
  device: DeviceSchema,
  /** Taken: it counts for another reel that stands at the bench. */
  link: v.picklist(['up', 'silent', 'away', 'taken']),
  /** Counts as they stand; null before the first line. */
  count: v.nullable(v.number()),
  /** When it was last heard; null where it never was. */
  heardAt: v.nullable(InstantSchema),
  /** Counts it went on by that were not credited yet: held meanwhile, or away. */
  unclaimed: v.number(),
  /** Why they are asked about although nothing is held. */
  odd: v.nullable(v.picklist(['restarted', 'jumped', 'unheard'])),
});
export type CounterAtBench = v.InferOutput<typeof CounterAtBenchSchema>;

/** What is told of a run while somebody watches it: its counter, and what was added to its log. */
export const RunFrameSchema = v.variant('kind', [
  /** None where the run's bench has no counter. */
  v.object({ kind: v.literal('counter'), counter: v.nullable(CounterAtBenchSchema) }),
  v.object({ kind: v.literal('log'), events: v.array(RunEventSchema) }),
]);
export type RunFrame = v.InferOutput<typeof RunFrameSchema>;
