import {
  CORRECTED,
  COUNTER_UNITS,
  DEPTH_RANGE,
  DOUBT_CAUSES,
  GIVEN_UP_TO,
  SUPPLY_WAYS,
  type RunEvent,
} from '@yard-spool/core';
import * as v from 'valibot';
import { sameAs } from './same';
import { limit } from './words';
import { LineSchema } from './plan';
import { FigureSchema, IdSchema, InstantSchema, KeySchema, line, text, UuidSchema } from './basics';

const finite = v.pipe(v.number(), v.finite());
const id = KeySchema;
/** More handle turns than any fill takes, to catch a slip of the finger. */
const turns = v.pipe(finite, v.minValue(-20_000), v.maxValue(20_000));
/** Spool turns to one counted turn: a gear, or 1 on a winder. */
const per = v.pipe(finite, v.minValue(0.1), v.maxValue(12));
const metres = v.pipe(finite, v.minValue(0), v.maxValue(20_000));
/** Marks people walk to, m. */
const walkLength = v.pipe(
  finite,
  v.minValue(5, limit('limit.mark-at-least', { least: { m: 5 } })),
  v.maxValue(300, limit('limit.mark-at-most', { most: { m: 300 } })),
);
const depth = v.pipe(
  finite,
  v.minValue(DEPTH_RANGE[0], limit('limit.at-least-mm', { what: 'A depth', least: { mm: DEPTH_RANGE[0] } })),
  v.maxValue(DEPTH_RANGE[1], limit('limit.at-most-mm', { what: 'A depth', most: { mm: DEPTH_RANGE[1] } })),
);
export const seenTurn = v.nullable(v.picklist(['clockwise', 'anticlockwise']));
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
const note = v.union([text('A note', 200), FigureSchema, v.boolean()]);

export const RunEventSchema = sameAs<RunEvent>()(
  v.variant('kind', [
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
    of('metered', {
      layer: id,
      meter: deviceName,
      metres: v.pipe(finite, v.minValue(-1e9), v.maxValue(1e9)),
      step: v.pipe(finite, v.minValue(0.0001), v.maxValue(20)),
    }),
    of('count-set', {
      layer: id,
      turns: v.pipe(turns, v.minValue(0, 'A count is zero or more.')),
      per: v.exactOptional(per),
      seen,
    }),
    of('held', { on: v.boolean(), ...fromDevice }),
    of('device-at', { device: deviceName, count, was: v.exactOptional(deviceName) }),
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
      began: v.exactOptional(v.pipe(finite, v.minValue(-2000), v.maxValue(2000))),
      typed: v.exactOptional(v.pipe(finite, v.minValue(-2000), v.maxValue(4000))),
      left: v.exactOptional(v.boolean()),
      without: v.exactOptional(
        v.pipe(v.array(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200))), v.maxLength(50)),
      ),
      earlier: v.exactOptional(
        v.object({
          walk: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(200)),
          tape: walkLength,
        }),
      ),
    }),
    of('moving', { on: v.boolean(), seen }),
    of('noted', { step: id, values: v.pipe(v.record(id, note), v.maxEntries(20)) }),
    of('piece-changed', {
      layer: id,
      pieceId: IdSchema,
      code: v.pipe(v.string(), v.maxLength(20)),
      usedUp: v.boolean(),
      allAlong: v.exactOptional(v.boolean()),
      line: v.exactOptional(LineSchema),
    }),
    of('put-aside', { why: text('Why', 120) }),
    of('given-up', { why: line('A reason', 120), line: v.picklist(GIVEN_UP_TO) }),
    of('undone', { event: UuidSchema }),
    v.object({ ...shared, kind: v.literal('closed'), payload: v.record(v.string(), v.never()) }),
    of('corrected', {
      what: v.picklist(CORRECTED),
      about: v.pipe(v.string(), v.maxLength(80)),
      was: v.nullable(note),
      is: v.nullable(note),
      why: line('A reason', 200),
    }),
    of('reopened', { why: line('A reason', 200) }),
  ]),
);
