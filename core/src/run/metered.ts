import { segmentsOf, type Segments } from '../plan/segments';

/** Where a line meter stood, with every turn up to then counted. */
export interface MeterMark {
  readonly layer: string;
  readonly meter: string;
  /** What the meter stood at, m. */
  readonly metres: number;
  /** Spool turns of the layer by then. */
  readonly spoolTurns: number;
  readonly wound: Segments;
  /** Whether many turns were counted since the mark before it, and next to no line ran over the meter. */
  readonly stood: boolean;
}

/** Line that ran over a meter between two marks, and the turns it made. */
export interface MeteredStretch {
  readonly layer: string;
  readonly meter: string;
  /** m */
  readonly length: number;
  readonly spoolTurns: number;
  /** Spool turns that one count of the turn counter makes: the turns are known to half of it. */
  readonly step: number;
  /** What was on the spool before it. */
  readonly before: Segments;
}

/** So many spool turns bring in five metres on the smallest arbor: where they did not, line runs beside the meter. */
export const STANDS = 200;

/** Spool turns of a layer. */
export const turnsOn = (wound: Segments, layer: string): number =>
  segmentsOf(wound, layer).reduce((sum, go) => sum + ('spoolTurns' in go ? go.spoolTurns : 0), 0);
