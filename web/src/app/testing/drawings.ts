import type { Drawing } from '@yard-spool/contract';

/** A spool with 120 m of nylon on it, as it is drawn small. */
export const A_DRAWING: Drawing = {
  lip: 23,
  arbor: 14,
  width: 17,
  layers: [{ inner: 14, outer: 21.5, texture: 'nylon', tint: '#aabbcc', role: 'main', lengthMm: 120_000 }],
};
