import type { FillRequest } from '../plan/fill-request';
import type { Segment, Segments } from '../plan/segments';
import type { Settling } from '../run/settling';
import type { Beliefs } from '../spool/beliefs';
import type { Observation } from '../spool/observation';

/** What a layer's piece held before it was wound, m, and how unsure that is, one standard deviation. */
export interface PieceHeld {
  readonly length: number;
  readonly sd: number;
  /** A pack as it was bought: its printed length, which usually runs a little over. */
  readonly sealed: boolean;
}

/** What was seen of one layer of line while it was wound. */
export interface LayerEvidence {
  readonly id: string;
  /** What was counted, go after go; of a layer wound by eye what was counted on top of that. */
  readonly goes: readonly Segment[];
  /** Wound by eye below that, of which so many metres were planned. */
  readonly byEye?: { readonly planned: number };
  /** Spool turns to one turn as it was counted. */
  readonly per: number;
  readonly countedBy: 'device' | 'hand';
  /** Whether the supply ran out with it. */
  readonly usedUp: boolean;
  /** Its piece; null for line that comes off none. */
  readonly piece: PieceHeld | null;
  /** Metres by weighing the piece before and after, where that was done. */
  readonly weighed?: { readonly length: number; readonly sd: number };
}

/** A depth read during the fill, with what was counted of each layer by then. */
export interface DepthEvidence {
  readonly after: string;
  readonly depth: number;
  readonly by: 'calliper' | 'eye';
  /** Of a layer wound by eye, what was counted on top of that. */
  readonly wound: Segments;
  /** Layers of which nobody can tell how much was on then. */
  readonly untold?: readonly string[];
}

/** So many metres for so many turns of a layer, over a line meter. */
export interface StretchEvidence {
  readonly layer: string;
  readonly seen: Extract<Observation, { kind: 'stretch' }>;
}

/** All that is known of a fill when it is closed. */
export interface FillEvidence {
  /** What was known of the spool before it. */
  readonly observations: readonly Observation[];
  readonly beliefs?: Beliefs;
  /** The fill as it was wound, arbor first. */
  readonly request: FillRequest;
  /** One for each layer of line, in the request's order. */
  readonly layers: readonly LayerEvidence[];
  readonly depths: readonly DepthEvidence[];
  /** Line that ran over a meter beside the turn counter; none where the bench has no meter. */
  readonly stretches?: readonly StretchEvidence[];
  /** What was answered already where readings contradict each other. */
  readonly settlings: readonly Settling[];
}

/**
 * How far what is seen of a fill is usually off, one standard deviation. Turns are ± `turns` and ± `share` of them,
 * lengths relative. From memory.
 */
export const EVIDENCE_SD = {
  device: { turns: 0.5, share: 0.001 },
  hand: { turns: 2, share: 0.01 },
  meter: 0.01,
  /** A pack's length over the printed one, and how unsure that is. */
  pack: { over: 0.01, sd: 0.015 },
  /** A plan is only where a layer wound by eye may have ended, ln. */
  plan: 0.7,
} as const;
