import type { Line } from '../lines/line';
import type { LayReading, WasherAction } from '../lay/lay-advice';
import type { NoteValue } from '../steps/step-field';
import type { MeterMark, MeteredStretch } from './metered';
import type { PieceChanged, RunEvent, SeenTurn, TooLongChoice, Walked } from './run-event';
import type { SupplyWayAtBench } from '../steps/supply-way';
import type { RunStep } from '../steps/run-facts';
import type { Segment, Segments } from '../plan/segments';
import type { Settling } from './settling';

/**
 * A layer that was said to be wound by eye: whatever was counted of it by then is not the whole. What is counted later
 * comes on top of what was seen.
 */
export interface ByEye {
  /** The place in the log where that was said; 0 for line that lay there before. */
  readonly at: number;
  /** What was counted of the layer by then. */
  readonly counted: readonly Segment[];
  /** How many choices had been made by then: the layer went on as it was asked at that moment. */
  readonly chosen: number;
}

/** A depth as it was read during the run, with what was counted when it was read. */
export interface DepthReading {
  /** Layers that were by eye when it was read: what was counted of them says nothing by itself. */
  readonly byEye: ReadonlyMap<string, ByEye>;
  readonly after: string;
  readonly depth: number;
  readonly by: 'calliper' | 'eye';
  readonly wound: Segments;
}

/** What was counted on each layer, by layer id. */
export interface Counted {
  /** Turns as they were counted: of the handle, or of a winder. */
  readonly turns: Readonly<Record<string, number>>;
  /** Metres run over a line meter, and metres typed. */
  readonly metres: Readonly<Record<string, number>>;
  /** Both as they lie on the spool, go after go. */
  readonly wound: Segments;
}

/** How a supply stands, with both rotations as seen. */
export interface SupplySeen {
  readonly way: SupplyWayAtBench;
  readonly supplyTurns: SeenTurn | null;
  readonly reelTurns: SeenTurn | null;
}

/** A slack metre as read. */
export interface SlackSeen {
  readonly layer: string;
  readonly pinched: number;
  readonly plyTurns: number;
  readonly wound: number;
}

/** A look at the lay, and what was done about it. */
export interface LaySeen extends LayReading {
  readonly layer: string;
  readonly did: WasherAction;
  readonly wound: number;
}

/** What was chosen where the main is too long for what is left. */
export interface Chosen {
  readonly layer: string;
  readonly how: TooLongChoice;
  readonly gap?: number;
  readonly length?: number;
}

/** A look at the tension, and whether line stayed put. */
export interface TensionSeen {
  readonly layer: string;
  readonly holds: boolean;
  /** Metres of the layer on when it was looked at, where that was written down. */
  readonly wound?: number;
}

/** A walk with what was on the spool when it was made, who made it and when. */
export interface WalkSeen extends Walked {
  readonly wound: Segments;
  readonly by: string;
  readonly at: string;
}

/** What was done while a counter could not be heard, until what it counted meanwhile is settled. */
export interface Unheard {
  /** What it stood at when it was last seen. */
  readonly since: number;
  /** Its counts since then that were credited all the same, and the layer they went to. */
  readonly credited: { readonly layer: string; readonly counts: number } | null;
  /** Turns counted by hand beside it, by layer, each worth so many spool turns. */
  readonly byHand: Readonly<Record<string, { readonly turns: number; readonly per: number }>>;
  /** Layers that were wound meanwhile and ended, in order. */
  readonly ended: readonly string[];
}

/** Another piece taken for a layer, with what was wound of it by then. */
export interface PieceTaken extends PieceChanged, Pick<DepthReading, 'byEye'> {
  readonly wound: Segments;
}

/** A layer stripped back and begun again. */
export interface Restart {
  readonly layer: string;
  readonly why: string;
}

/** Where a run stands. Folded from its events; the same in the browser, on the server and in tests. */
export interface RunState extends Counted {
  readonly steps: readonly RunStep[];
  readonly done: ReadonlySet<string>;
  readonly skipped: ReadonlySet<string>;
  /** Layers that were wound by eye, at least in part. */
  readonly byEye: ReadonlyMap<string, ByEye>;
  /** Layers at whose end the supply ran out: all its piece had is on the reel. */
  readonly usedUp: ReadonlySet<string>;
  /** The step to do now; null when all are done. */
  readonly current: RunStep | null;
  /** Whether the count is held: a device's turns are not credited. */
  readonly held: boolean;
  /** The count each device was last said to stand at, whatever it was credited with: an answer, or a new beginning. */
  readonly answeredAt: Readonly<Record<string, number>>;
  /** The place in the log where that was said. */
  readonly answeredIn: Readonly<Record<string, number>>;
  /** The count each device stood at when it was held. */
  readonly heldAt: Readonly<Record<string, number>>;
  /** The count each device stood at when it was last credited or passed over. */
  readonly devices: Readonly<Record<string, number>>;
  /** What devices are called now, by the names they had. */
  readonly called: Readonly<Record<string, string>>;
  /** The layer each device was last credited to. */
  readonly creditedTo: Readonly<Record<string, string>>;
  /** Devices that something was done beside while they could not be heard. */
  readonly unheard: Readonly<Record<string, Unheard>>;
  /** Devices whose count was written down since the current step began. */
  readonly counting: ReadonlySet<string>;
  /** Layers a device counted, at least in part. */
  readonly byDevice: ReadonlySet<string>;
  readonly depths: readonly DepthReading[];
  readonly supplies: Readonly<Record<string, SupplySeen>>;
  readonly slacks: readonly SlackSeen[];
  readonly lays: readonly LaySeen[];
  readonly tensions: readonly TensionSeen[];
  /** Where a line meter stood last on the layer being wound; null once line may have moved uncounted since. */
  readonly mark: MeterMark | null;
  /** Line that ran over a meter between two marks, in order. */
  readonly stretches: readonly MeteredStretch[];
  /** Whether what is wound or pulled off at the counter step is counted. */
  readonly moving: boolean;
  /** Walks with the reel's counter, those left out among them. */
  readonly walks: readonly WalkSeen[];
  readonly restarts: readonly Restart[];
  readonly chosen: readonly Chosen[];
  /** Other pieces that were taken in mid-run, in order. */
  readonly pieces: readonly PieceTaken[];
  /** Lines of layers that turned out to be wound with another than was planned, by layer id. */
  readonly lines: Readonly<Record<string, Line>>;
  /** Whether it was put aside: its bench is free until somebody takes it up. */
  readonly aside: boolean;
  readonly givenUp: boolean;
  /** What was answered where readings contradicted each other. */
  readonly settlings: readonly Settling[];
  /** What was written down, by step. */
  readonly notes: Readonly<Record<string, Readonly<Record<string, NoteValue>>>>;
  readonly bench: string | null;
  /** Its bench's number; null where the log is older than those. */
  readonly benchId: number | null;
  /** Who has had it, in order, each once in a row. */
  readonly hands: readonly string[];
  readonly closed: boolean;
  /** The last event's place in the log; 0 before the first. */
  readonly seq: number;
  /** The latest event that can be taken back. */
  readonly undoable: RunEvent | null;
}
