import {
  ASSUMED,
  COUNTER_UNITS,
  MATERIALS,
  type Beliefs,
  type FillPlan,
  type FillRequest,
  type KnownCounter,
  type Line,
  type Observation,
  type PlanInput,
  type SpoolGeometry,
  REEL_TYPES,
} from '@yard-spool/core';
import * as v from 'valibot';
import { sameAs } from './same';
import { WordsSchema } from './words';
import { FigureSchema, KeySchema, maybeLine } from './basics';
import { LABEL_SIDES } from './products';

const number = FigureSchema;
const key = KeySchema;

export const LineSchema = sameAs<Line>()(
  v.object({
    key,
    material: v.picklist(MATERIALS),
    diameter: number,
    soakHours: v.exactOptional(number),
    labelSide: v.exactOptional(v.picklist(LABEL_SIDES)),
  }),
);

const WoundLengthSchema = v.union([
  v.object({ line: LineSchema, length: number }),
  v.object({ line: LineSchema, spoolTurns: number }),
  v.object({ rise: number, sd: number }),
  v.object({ radius: number, sd: number }),
  v.object({ below: number, sd: number }),
]);
/** More goes than any fill has: layers of a three-layer fill, begun and metered by turns. */
const woundLengths = v.pipe(v.array(WoundLengthSchema), v.maxLength(40));

export const ObservationSchema = sameAs<Observation>()(
  v.variant('kind', [
    v.object({
      kind: v.literal('rating'),
      length: number,
      diameter: number,
      material: v.exactOptional(v.picklist(MATERIALS)),
      printed: v.exactOptional(v.object({ system: v.picklist(['strength', 'size']), figure: number })),
      text: v.exactOptional(maybeLine('A print', 60)),
    }),
    v.object({ kind: v.literal('lip'), diameter: number }),
    v.object({ kind: v.literal('arbor'), diameter: number, farDiameter: v.exactOptional(number) }),
    v.object({ kind: v.literal('width'), width: number }),
    v.object({ kind: v.literal('retrieve'), perTurn: number, gear: number }),
    v.object({
      kind: v.literal('depth'),
      layers: woundLengths,
      depth: number,
      by: v.picklist(['calliper', 'eye']),
      sd: v.exactOptional(number),
    }),
    v.object({
      kind: v.literal('stretch'),
      layers: woundLengths,
      line: LineSchema,
      spoolTurns: number,
      length: number,
      sd: number,
      meter: v.exactOptional(key),
    }),
  ]),
);

/** A figure that is believed: more than nothing, and less sure than certain. */
export const BeliefSchema = v.object({
  median: v.pipe(number, v.minValue(0.01), v.maxValue(100)),
  sd: v.pipe(number, v.minValue(0.0001), v.maxValue(5)),
});
const beliefs = v.pipe(v.record(key, BeliefSchema), v.maxEntries(60, 'Sixty beliefs are the most.'));

/** A counter that was matched before, as learning keeps it. */
export const KnownCounterSchema = sameAs<KnownCounter>()(
  v.object({
    unit: v.picklist(COUNTER_UNITS),
    step: v.pipe(number, v.minValue(0.01), v.maxValue(10)),
    match: v.pipe(number, v.minValue(5), v.maxValue(300)),
    perTurn: v.pipe(number, v.minValue(0.001), v.maxValue(10)),
    sd: v.pipe(number, v.minValue(0.00001), v.maxValue(1)),
    from: v.picklist(['reel', 'kind', 'usual']),
  }),
);

const BeliefsSchema = sameAs<Beliefs>()(
  v.object({
    type: v.exactOptional(v.picklist(REEL_TYPES)),
    packing: v.exactOptional(BeliefSchema),
    bulk: v.exactOptional(beliefs),
    prints: v.exactOptional(beliefs),
    counter: v.exactOptional(KnownCounterSchema),
  }),
);

const LevelSchema = v.union([
  v.object({ share: v.tuple([number, number]), of: v.exactOptional(v.literal('length')) }),
  v.object({ depth: number }),
]);

const LayerRequestSchema = v.variant('kind', [
  v.object({
    kind: v.literal('line'),
    id: key,
    role: v.picklist(['backing', 'main', 'cushion', 'top-shot']),
    line: LineSchema,
    length: v.union([number, v.literal('fits'), LevelSchema]),
    overlap: v.exactOptional(number),
    soaked: v.exactOptional(number),
  }),
  v.object({
    kind: v.literal('tape'),
    id: key,
    thickness: number,
    wraps: v.union([number, v.literal('fits')]),
  }),
  v.object({
    kind: v.literal('retained'),
    id: key,
    line: LineSchema,
    left: v.union([v.object({ length: number }), LevelSchema]),
  }),
  v.object({ kind: v.literal('reducer'), id: key, diameter: number }),
]);

export const FillRequestSchema = sameAs<FillRequest>()(
  v.object({
    layers: v.pipe(
      v.array(LayerRequestSchema),
      v.minLength(1, 'A plan needs at least one layer.'),
      v.maxLength(12),
    ),
    gap: v.exactOptional(number),
    house: v.exactOptional(v.pipe(v.number(), v.minValue(-5), v.maxValue(60))),
    gear: number,
    guideBore: v.exactOptional(number),
  }),
);

/** Lines that all readings of one spool together speak of: each is an unknown that takes time to work out. */
const MOST_LINES = 24;

const linesIn = ({ observations, request }: PlanInput): ReadonlySet<string> =>
  new Set([
    ...request.layers.flatMap((layer) => ('line' in layer ? [layer.line.key] : [])),
    ...observations.flatMap((one) => [
      ...('layers' in one ? one.layers.flatMap((on) => ('line' in on ? [on.line.key] : [])) : []),
      ...('line' in one ? [one.line.key] : []),
    ]),
  ]);

/** What a plan is made from, as it travels and as it is kept. */
export const PlanInputSchema = sameAs<PlanInput>()(
  v.pipe(
    v.object({
      observations: v.pipe(v.array(ObservationSchema), v.maxLength(60)),
      request: FillRequestSchema,
      beliefs: v.exactOptional(BeliefsSchema),
      assumed: v.exactOptional(v.pipe(v.array(v.picklist(ASSUMED)), v.maxLength(ASSUMED.length))),
    }),
    v.check(
      (input) => linesIn(input).size <= MOST_LINES,
      `The readings of one spool speak of at most ${String(MOST_LINES)} lines.`,
    ),
  ),
);

/** What was worked out is told as it is. */
const finite = v.pipe(v.number(), v.finite());
const RangedSchema = v.object({ value: finite, sd: finite, low: finite, high: finite });

const IssueSchema = v.object({
  code: v.picklist([
    'does-not-fit',
    'overlap-too-long',
    'kept-below-arbor',
    'reducer-inside-arbor',
    'layer-out-of-order',
    'negative-gap',
    'fuller-than-rule',
    'lower-than-rule',
    'proud-once-wet',
    'too-little-line',
    'join-within-a-cast',
    'springy-backing',
    'braid-on-bare-arbor',
    'join-too-thick',
    'no-unknown',
    'two-unknowns',
    'layer-out-of-range',
  ]),
  severity: v.picklist(['error', 'caution']),
  sentence: WordsSchema,
  at: v.exactOptional(v.string()),
  values: v.exactOptional(v.record(v.string(), finite)),
});

const PlannedLayerSchema = v.object({
  id: key,
  request: LayerRequestSchema,
  length: RangedSchema,
  wraps: RangedSchema,
  innerRadius: finite,
  outerRadius: finite,
  depthBefore: finite,
  depthAfter: RangedSchema,
  spoolTurns: finite,
  handleTurns: RangedSchema,
  perTurnStart: finite,
  perTurnEnd: finite,
});

/** A plan as it travels and as it is kept: the core's own, to the last digit. */
export const FillPlanSchema = sameAs<FillPlan>()(
  v.object({
    layers: v.array(PlannedLayerSchema),
    solvedFor: v.nullable(key),
    gap: RangedSchema,
    total: finite,
    wetGap: v.nullable(v.object({ low: finite, high: number })),
    issues: v.array(IssueSchema),
  }),
);

export const SpoolGeometrySchema = sameAs<SpoolGeometry>()(
  v.object({
    lipRadius: finite,
    width: finite,
    arborRadius: finite,
    packing: finite,
    ratingDepth: finite,
  }),
);
