import type { Rim } from '../advice/gap-advice';
import type { ReelType } from '../lines/reel-type';
import type { FillRequest } from '../plan/fill-request';
import type { HouseRules } from '../house-rules/house-rules';

/** What a step of a run asks of the technician. */
export type StepKind =
  | 'strip'
  | 'reducer'
  | 'grip'
  | 'mount'
  | 'tie-on'
  | 'prepare-supply'
  | 'wind'
  | 'depth'
  | 'join'
  | 'splice'
  | 'swap'
  | 'gap'
  | 'clip'
  | 'cover'
  | 'memory'
  | 'drag-reading'
  | 'brake'
  | 'thumb'
  | 'counter'
  | 'leader'
  | 'guides'
  | 'drag'
  | 'tag';

/** The id of a step, which is written nowhere else: its kind, and the layer it belongs to. */
export const stepId = (kind: StepKind, layer?: string): string =>
  layer === undefined ? kind : `${kind}-${layer}`;

/** One step of a run. */
export interface RunStep {
  readonly id: string;
  readonly kind: StepKind;
  /** The layer a winding step, a join or a depth belongs to. */
  readonly layer?: string;
  /** May be left out where it does not apply. */
  readonly optional?: boolean;
}

/** What the steps of a run are made from. */
export interface RunFacts {
  readonly request: FillRequest;
  readonly type: ReelType;
  readonly rules: HouseRules;
  /** Main wound first, backing on top, then all of it over to the other spool. */
  readonly mainFirst: boolean;
  /** Whether a leader or bumper was asked for. */
  readonly leader: boolean;
  /** Whether its own line is turned end for end, over to its other spool. */
  readonly turned?: boolean;
  /** Whether its line is on it already and stays: nothing is wound but what its counter asks for. */
  readonly counterOnly?: boolean;
  /** The edge line leaves its spool over; plain where nothing else was said. */
  readonly rim?: Rim;
}
