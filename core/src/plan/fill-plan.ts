import type { Issue } from '../issue';
import type { LayerRequest } from './fill-request';
import type { Ranged } from '../numeric/ranged';

/** One layer of a plan. Lengths in m, depths in mm below the lip, turns of handle and spool. */
export interface PlannedLayer {
  readonly id: string;
  readonly request: LayerRequest;
  readonly length: Ranged;
  /** Tape wraps; 0 for line. */
  readonly wraps: Ranged;
  readonly innerRadius: number;
  readonly outerRadius: number;
  readonly depthBefore: number;
  /** Depth of the surface below the lip when this layer is on. */
  readonly depthAfter: Ranged;
  readonly spoolTurns: number;
  readonly handleTurns: Ranged;
  /** Metres one handle turn brings in, at the start and at the end of the layer. */
  readonly perTurnStart: number;
  readonly perTurnEnd: number;
}

export type PlanIssueCode =
  | 'does-not-fit'
  | 'overlap-too-long'
  | 'kept-below-arbor'
  | 'reducer-inside-arbor'
  | 'layer-out-of-order'
  | 'negative-gap'
  | 'fuller-than-rule'
  | 'lower-than-rule'
  | 'proud-once-wet'
  | 'too-little-line'
  | 'join-within-a-cast'
  | 'springy-backing'
  | 'braid-on-bare-arbor'
  | 'join-too-thick'
  | 'no-unknown'
  | 'two-unknowns'
  | 'layer-out-of-range';

export type PlanIssue = Issue<PlanIssueCode>;

/** What goes on a spool, in order, and how sure that is. */
export interface FillPlan {
  readonly layers: readonly PlannedLayer[];
  /** The layer solved for, or null where the gap was. */
  readonly solvedFor: string | null;
  /** Gap below the lip when all is on, mm. */
  readonly gap: Ranged;
  /** Metres of line from arbor to end, spliced overlaps counted once. */
  readonly total: number;
  /** Gap the fill would come to if nylon wound dry then takes up all the water it can, mm; null without nylon. */
  readonly wetGap: { readonly low: number; readonly high: number } | null;
  readonly issues: readonly PlanIssue[];
}
