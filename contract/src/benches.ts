import { COUNTED } from '@yard-spool/core';
import * as v from 'valibot';
import { limit } from './words';
import { IdSchema, line, maybeLine, VersionSchema } from './basics';

const isPort = (port: number): boolean => port >= 1 && port <= 65_535;

/** A counting device at a bench: where it sends its lines from, and how many counts make one of what it counts. */
export const DeviceSchema = v.object({
  /** The name it gives itself in each line it sends. */
  name: v.pipe(
    v.string(),
    v.trim(),
    v.regex(/^[\w-]{1,20}$/, 'A device’s name is 1 to 20 letters, digits and dashes, as it sends it.'),
  ),
  address: v.pipe(
    v.string(),
    v.trim(),
    v.regex(/^[\w.-]{1,100}:\d{1,5}$/, 'An address is a host and a port, like 127.0.0.1:4711.'),
    v.check((address) => isPort(Number(address.split(':')[1])), 'A port is from 1 to 65535.'),
  ),
  counts: v.picklist(COUNTED),
  per: v.pipe(
    v.number(),
    v.minValue(0.01, 'At least 0.01 counts make one.'),
    v.maxValue(10_000, 'At most 10,000 counts make one.'),
  ),
});
export type Device = v.InferOutput<typeof DeviceSchema>;

const bench = {
  name: line('A name', 20),
  /** Free line between supply and reel, mm. */
  spanMm: v.pipe(
    v.number('A clear length is needed.'),
    v.integer(),
    v.minValue(200, limit('limit.at-least-m', { what: 'A clear length', least: { m: 0.2 } })),
    v.maxValue(20_000, limit('limit.at-most-m', { what: 'A clear length', most: { m: 20 } })),
  ),
  /** The hand that winds here. */
  hand: v.picklist(['right', 'left']),
  /** The key its foot switch types; empty where it has none. */
  pedal: v.optional(maybeLine('A key', 20), ''),
  devices: v.pipe(v.array(DeviceSchema), v.maxLength(4, 'A bench has four devices at most.')),
};

export const NewBenchSchema = v.object(bench);
export type NewBench = v.InferOutput<typeof NewBenchSchema>;
export const ChangeBenchSchema = v.object({ ...bench, version: VersionSchema });
export const BenchSchema = v.object({ id: IdSchema, ...bench, version: VersionSchema });
export type Bench = v.InferOutput<typeof BenchSchema>;
