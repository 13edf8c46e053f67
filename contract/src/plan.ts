import {
  MATERIALS,
  type FillPlan,
  type FillRequest,
  type Line,
  type Observation,
  type PlanInput,
  type SpoolGeometry,
} from '@yard-spool/core';
import * as v from 'valibot';

const number = v.pipe(v.number(), v.finite());
const key = v.pipe(v.string(), v.minLength(1), v.maxLength(40));

export const LineSchema: v.GenericSchema<Line> = v.object({
  key,
  material: v.picklist(MATERIALS),
  diameter: number,
});

const WoundLengthSchema = v.union([
  v.object({ line: LineSchema, length: number }),
  v.object({ line: LineSchema, spoolTurns: number }),
]);

export const ObservationSchema: v.GenericSchema<Observation> = v.variant('kind', [
  v.object({
    kind: v.literal('rating'),
    length: number,
    diameter: number,
    material: v.exactOptional(v.picklist(MATERIALS)),
  }),
  v.object({ kind: v.literal('lip'), diameter: number }),
  v.object({ kind: v.literal('arbor'), diameter: number, farDiameter: v.exactOptional(number) }),
  v.object({ kind: v.literal('width'), width: number }),
  v.object({ kind: v.literal('retrieve'), perTurn: number, gear: number }),
  v.object({
    kind: v.literal('depth'),
    layers: v.array(WoundLengthSchema),
    depth: number,
    by: v.picklist(['calliper', 'eye']),
    sd: v.exactOptional(number),
  }),
]);

const LayerRequestSchema = v.variant('kind', [
  v.object({
    kind: v.literal('line'),
    id: key,
    role: v.picklist(['backing', 'main', 'cushion', 'top-shot']),
    line: LineSchema,
    length: v.union([number, v.literal('fits')]),
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
    left: v.union([v.object({ length: number }), v.object({ depth: number })]),
  }),
  v.object({ kind: v.literal('reducer'), id: key, diameter: number }),
]);

export const FillRequestSchema: v.GenericSchema<FillRequest> = v.object({
  layers: v.pipe(
    v.array(LayerRequestSchema),
    v.minLength(1, 'A plan needs at least one layer.'),
    v.maxLength(12),
  ),
  gap: v.exactOptional(number),
  gear: number,
  guideBore: v.exactOptional(number),
});

/** What a plan is made from, as it travels and as it is kept. */
export const PlanInputSchema: v.GenericSchema<PlanInput> = v.object({
  observations: v.pipe(v.array(ObservationSchema), v.maxLength(60)),
  request: FillRequestSchema,
});

const RangedSchema = v.object({ value: number, sd: number, low: number, high: number });

const IssueSchema = v.object({
  code: v.picklist([
    'does-not-fit',
    'negative-gap',
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
  sentence: v.string(),
  at: v.exactOptional(v.string()),
  values: v.exactOptional(v.record(v.string(), number)),
});

const PlannedLayerSchema = v.object({
  id: key,
  request: LayerRequestSchema,
  length: RangedSchema,
  wraps: RangedSchema,
  innerRadius: number,
  outerRadius: number,
  depthBefore: number,
  depthAfter: RangedSchema,
  spoolTurns: number,
  handleTurns: RangedSchema,
  perTurnStart: number,
  perTurnEnd: number,
});

/** A plan as it travels and as it is kept: the core's own, to the last digit. */
export const FillPlanSchema: v.GenericSchema<FillPlan> = v.object({
  layers: v.array(PlannedLayerSchema),
  solvedFor: v.nullable(key),
  gap: RangedSchema,
  total: number,
  wetGap: v.nullable(v.object({ low: number, high: number })),
  issues: v.array(IssueSchema),
});

export const SpoolGeometrySchema: v.GenericSchema<SpoolGeometry> = v.object({
  lipRadius: number,
  width: number,
  arborRadius: number,
  taper: number,
  packing: number,
  ratingDepth: number,
});
