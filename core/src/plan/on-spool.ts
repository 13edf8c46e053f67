import { woundArea, type Line } from '../lines/line';
import type { SpoolGeometry } from '../spool/spool-geometry';

/** One layer as it comes to lie: radii in mm, length in m, spool turns. Tape and reducers have no turns of line. */
export interface StackedLayer {
  readonly id: string;
  readonly length: number;
  /** Tape wraps; 0 for line. */
  readonly wraps: number;
  readonly inner: number;
  readonly outer: number;
  readonly spoolTurns: number;
}

export type BulkOf = (line: Line) => number;

/** A spool and the bulks of the lines on it. */
export interface OnSpool {
  readonly spool: SpoolGeometry;
  readonly bulkOf: BulkOf;
}

/** Wound area per length of a line on a spool, mm². */
export const areaOn = (line: Line, { spool, bulkOf }: OnSpool): number =>
  woundArea(line.diameter, bulkOf(line), spool.packing);
