import { MATERIALS } from '@yard-spool/core';
import * as v from 'valibot';

/** What a spool cut open is drawn from, small: radii and width in mm, layers from the arbor outwards. */
export const DrawingSchema = v.object({
  lip: v.number(),
  arbor: v.number(),
  width: v.number(),
  layers: v.array(
    v.object({
      inner: v.number(),
      outer: v.number(),
      /** `tail` is tape, `salvage` old line. */
      texture: v.picklist([...MATERIALS, 'salvage', 'tail']),
      tint: v.string(),
      role: v.string(),
      lengthMm: v.number(),
    }),
  ),
});
export type Drawing = v.InferOutput<typeof DrawingSchema>;

/** A layer in words of the rack: what it is there for, what its line is called, how much of it. */
export const LineOnSchema = v.object({ role: v.string(), name: v.string(), lengthMm: v.number() });
export type LineOn = v.InferOutput<typeof LineOnSchema>;
