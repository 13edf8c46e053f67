import { COUNTER_UNITS, FAULT_CAUSES, MATERIALS, UNIT_SYSTEMS } from '@yard-spool/core';
import * as v from 'valibot';
import { REEL_TYPES } from '@yard-spool/core';
import { PIECE_KINDS } from './rack';
import { CAUSES, COMPLAINTS } from './record';
import { BASES } from './reels';

/** What a record's file is called, and the version of how it is written. */
export const RECORD_FORMAT = 'yard-spool-record';
export const RECORD_VERSION = 1;

const instant = v.pipe(v.string(), v.isoTimestamp(), v.description('UTC, ISO 8601'));
const metres = v.pipe(v.number(), v.description('m'));
const millimetres = v.pipe(v.number(), v.description('mm'));

const LayerSchema = v.object({
  role: v.picklist(['backing', 'main', 'cushion', 'top-shot', 'kept']),
  line: v.string(),
  material: v.picklist(MATERIALS),
  diameter: millimetres,
  piece: v.nullable(v.string()),
  pieceKind: v.nullable(v.picklist(PIECE_KINDS)),
  lot: v.string(),
  length: metres,
  /** Least and most it likely is. */
  likely: v.tuple([metres, metres]),
  restsOn: v.array(v.picklist(BASES)),
  handleTurns: v.number(),
  innerRadius: millimetres,
  outerRadius: millimetres,
});

const CounterSchema = v.object({
  unit: v.picklist(COUNTER_UNITS),
  /** In the counter's unit. */
  match: v.number(),
  reads: v.number(),
  agrees: v.boolean(),
  /** True lengths and what the counter shows there, in its unit. */
  table: v.array(v.object({ length: v.number(), reading: v.number() })),
});

const LaidSchema = v.object({
  tape: v.nullable(v.object({ wraps: v.number(), thickness: millimetres })),
  reducer: v.nullable(millimetres),
  washers: v.nullable(v.number()),
});

const FillSchema = v.object({
  at: instant,
  by: v.string(),
  bag: v.pipe(v.number(), v.integer()),
  gapRead: v.nullable(millimetres),
  gapByCount: millimetres,
  spool: v.object({ lipRadius: millimetres, arborRadius: millimetres, width: millimetres }),
  /** From the arbor out. */
  layers: v.array(LayerSchema),
  /** Tape, a reducer and washers; thickness and diameter in mm. Null for a fill from before that was kept. */
  laid: v.nullable(LaidSchema),
  counter: v.nullable(CounterSchema),
  corrections: v.pipe(v.number(), v.integer()),
  comebacks: v.array(
    v.object({
      at: instant,
      complaint: v.picklist(COMPLAINTS),
      saw: v.string(),
      cause: v.nullable(v.picklist(CAUSES)),
      found: v.string(),
      did: v.string(),
      /** What was wrong with it, what beside it, and whether what was done cured it; null where nobody said. */
      fault: v.nullable(v.picklist(FAULT_CAUSES)),
      second: v.nullable(v.picklist(FAULT_CAUSES)),
      worked: v.nullable(v.boolean()),
    }),
  ),
  /** Everything that happened at the bench, in order. What each kind carries is told in docs/files.md. */
  log: v.array(
    v.object({
      at: instant,
      by: v.string(),
      kind: v.string(),
      payload: v.record(v.string(), v.unknown()),
    }),
  ),
});

const ReelSchema = v.object({
  tag: v.string(),
  /** Tags it had before. */
  tags: v.array(v.string()),
  type: v.picklist(REEL_TYPES),
  label: v.string(),
  customer: v.object({ name: v.string(), contact: v.string() }),
  spools: v.array(
    v.object({
      name: v.string(),
      /** When what lies on it now is due; null where nothing tells. */
      dueAt: v.nullable(instant),
      /** Newest first. */
      fills: v.array(FillSchema),
    }),
  ),
});

/** The record of some reels as an open file. Published as a JSON Schema in docs/record.schema.json. */
export const RecordFileSchema = v.object({
  format: v.literal(RECORD_FORMAT),
  version: v.literal(RECORD_VERSION),
  at: instant,
  reels: v.array(ReelSchema),
});
export type RecordedReel = v.InferOutput<typeof ReelSchema>;

/** Columns of the record as CSV: one row for each layer of each fill. */
export const RECORD_COLUMNS = [
  'tag',
  'type',
  'reel',
  'customer',
  'contact',
  'spool',
  'filled_at',
  'by',
  'bag',
  'gap_mm',
  'layer',
  'line',
  'material',
  'diameter_mm',
  'piece',
  'lot',
  'length_m',
  'least_m',
  'most_m',
  'handle_turns',
  'due_at',
] as const;

/** Whose record: one reel's by its tag, or all of a customer's by their number. */
export const RecordQuerySchema = v.object({
  of: v.picklist(['reel', 'customer'], 'Say whether it is about a reel or a customer.'),
  which: v.pipe(v.string(), v.trim(), v.regex(/^[\w-]{1,20}$/, 'Say which reel or customer.')),
  format: v.picklist(['json', 'csv'], 'Files are json or csv.'),
});
export type RecordQuery = v.InferOutput<typeof RecordQuerySchema>;

/** A drawing of a fill. */
export const DrawingQuerySchema = v.object({
  fill: v.pipe(v.string(), v.regex(/^\d{1,12}$/, 'Say which fill.'), v.transform(Number)),
  what: v.picklist(['section', 'rule'], 'A drawing is the section or the rule.'),
  units: v.optional(v.picklist(UNIT_SYSTEMS), 'metric'),
});
