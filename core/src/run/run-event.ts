import type { Line } from '../lines/line';
import type { CounterUnit } from '../counter/counter-unit';
import type { DoubtCause } from '../counter/walk-doubt';
import type { NoteValue } from '../steps/step-field';
import type { SupplyWayAtBench } from '../steps/supply-way';
import type { Settling } from './settling';

/** A turn as it was seen: the supply from the side its line leaves, the reel from behind. */
export type SeenTurn = 'clockwise' | 'anticlockwise';

/** Main too long for what is left: what the technician chose to do about it. */
export type TooLongChoice = 'take-off' | 'smaller-gap' | 'cut-short' | 'another-length';

/** Another piece for a layer: its number and its code. */
export interface PieceChanged {
  readonly layer: string;
  readonly pieceId: number;
  readonly code: string;
  /** Whether the piece before it ran out. */
  readonly usedUp: boolean;
  /** It was mounted all along: nothing came off the piece that was thought to be, and there is no join. */
  readonly allAlong?: boolean;
  /** Its line, where that is another than the layer was planned with. */
  readonly line?: Line;
}

/** Where the line of a fill that is given up goes: back on its piece, to salvage, or to recycling. */
export const GIVEN_UP_TO = ['back', 'salvage', 'bin'] as const;

/** A bench by its name at the time, and its number; older logs have the name alone. */
export interface AtBench {
  readonly bench: string;
  readonly benchId?: number;
}

/**
 * What the bench's counter stood at as the technician saw it when something was done, in the device's own counts. What
 * begins or ends there begins or ends at this count, however late it is written down.
 */
export interface SeenCount {
  readonly device: string;
  readonly count: number;
  /** It could not be heard then: this is the last that was seen of it. */
  readonly unheard?: boolean;
}

/** Something done while a counter stood at a count. */
export interface Seeing {
  readonly seen?: SeenCount;
}

/** A walk as it is written down: lengths in m, readings in the counter's unit. */
export interface Walked {
  readonly layer: string;
  /** The length at which the counter is to read true. */
  readonly match: number;
  readonly tape: number;
  readonly reading: number;
  readonly unit: CounterUnit;
  readonly step: number;
  readonly over: 'field' | 'meter';
  /** What it was expected to read; none before anything was known. */
  readonly expected?: number;
  /** What was found wrong with the reading as it was first told, which this is the answer to. */
  readonly cause?: DoubtCause;
  /** What the counter stood at when the walk began, where that was not zero. */
  readonly began?: number;
  /** The reading as it was typed, where it was taken for another one. */
  readonly typed?: number;
  /** Left out: it is walked again. */
  readonly left?: boolean;
  /** Earlier walks that contradict it and are left out: their places among all walks, from 0. */
  readonly without?: readonly number[];
  /** An earlier walk that was at another mark: its place among all walks, from 0. */
  readonly earlier?: { readonly walk: number; readonly tape: number };
}

/** What of a closed record can be put right. */
export const CORRECTED = ['gap', 'length', 'piece', 'note'] as const;

/**
 * A wrong entry and what it should have been. `about` says whose it is: the place of a layer in the fill for a length (m)
 * or a piece (its code), `step.field` for a note, nothing for the gap (mm). Null: not read, not known.
 */
export interface Correction {
  readonly what: (typeof CORRECTED)[number];
  readonly about: string;
  readonly was: NoteValue | null;
  readonly is: NoteValue | null;
  readonly why: string;
}

/** What can happen in a run. Payloads carry what was observed; everything derived is folded from them. */
export type RunHappening =
  | { readonly kind: 'started'; readonly payload: AtBench }
  /** Taken up at a bench, by whoever the event is by. */
  | { readonly kind: 'taken-up'; readonly payload: AtBench & Seeing }
  /**
   * A step done. Of a layer: whether it was wound by eye, so that what was counted is not the whole of it; and whether
   * the supply ran out with it, so that all its piece had is on the reel.
   */
  | {
      readonly kind: 'step-done';
      readonly payload: { readonly step: string; readonly by?: 'eye'; readonly usedUp?: boolean } & Seeing;
    }
  /** Steps gone back into: they are to do again. */
  | { readonly kind: 'step-again'; readonly payload: { readonly steps: readonly string[] } & Seeing }
  /** An optional step left out. */
  | { readonly kind: 'step-skipped'; readonly payload: { readonly step: string } & Seeing }
  /**
   * Handle turns just made on a layer; negative where the handle went back. From a device: its name and the count it
   * stood at, so that a gap in its link loses nothing, and the count it went on `from`, so that what was credited
   * meanwhile is not credited twice. `per` is what one counted turn was worth in spool turns when it was counted. By hand
   * beside a counter that cannot be heard: what was seen of it last.
   */
  | {
      readonly kind: 'turns';
      readonly payload: {
        readonly layer: string;
        readonly turns: number;
        readonly per?: number;
        readonly device?: string;
        readonly count?: number;
        readonly from?: number;
      } & Seeing;
    }
  /** Metres just run through a line meter; typed by hand where no device is named. */
  | {
      readonly kind: 'metres';
      readonly payload: {
        readonly layer: string;
        readonly metres: number;
        readonly device?: string;
        readonly count?: number;
        readonly from?: number;
      };
    }
  /**
   * What a line meter beside the turn counter stood at, m, with every turn up to then credited. Two of them tell the radius
   * between. `step`: spool turns that one count of the turn counter makes.
   */
  | {
      readonly kind: 'metered';
      readonly payload: {
        readonly layer: string;
        readonly meter: string;
        readonly metres: number;
        readonly step: number;
      };
    }
  /** The count put right: turns on a layer in all, each worth `per` spool turns. */
  | {
      readonly kind: 'count-set';
      readonly payload: { readonly layer: string; readonly turns: number; readonly per?: number } & Seeing;
    }
  /** The count held, or going on; held with the count its device stood at, as the technician saw it. */
  | {
      readonly kind: 'held';
      readonly payload: { readonly on: boolean; readonly device?: string; readonly count?: number };
    }
  /**
   * A device's count taken as it stands, without crediting what it went on by. With the name it `was` called until then: it
   * goes on under this one from where it was credited, and nothing of it is settled.
   */
  | {
      readonly kind: 'device-at';
      readonly payload: { readonly device: string; readonly count: number; readonly was?: string };
    }
  /** Depth of the surface below the lip as read, mm. */
  | {
      readonly kind: 'depth-read';
      readonly payload: { readonly after: string; readonly depth: number; readonly by: 'calliper' | 'eye' };
    }
  /** How the supply stands, and both rotations as they were seen; null where one of them does not turn. */
  | {
      readonly kind: 'supply';
      readonly payload: {
        readonly layer: string;
        readonly way: SupplyWayAtBench;
        readonly supplyTurns: SeenTurn | null;
        readonly reelTurns: SeenTurn | null;
      };
    }
  /** A pinched loop between cloth and reel. */
  | {
      readonly kind: 'slack-read';
      readonly payload: {
        readonly layer: string;
        readonly pinched: number;
        readonly plyTurns: number;
        /** Metres wound when it was read. */
        readonly wound: number;
      };
    }
  /** A layer stripped back and begun again, for a reason. */
  | {
      readonly kind: 'restarted';
      readonly payload: {
        readonly layer: string;
        readonly why: 'supply-turned' | 'slipped' | 'loose' | 'other';
      } & Seeing;
    }
  /** Depths at rear and front (and centre) below one lip reference, mm, and what was done. */
  | {
      readonly kind: 'lay-read';
      readonly payload: {
        readonly layer: string;
        readonly rear: number;
        readonly front: number;
        readonly centre?: number;
        readonly did: 'leave' | 'add-washer' | 'take-washer-out';
        /** Metres of the layer wound when it was read. */
        readonly wound: number;
      };
    }
  /** Whether line stays put with no tension. */
  | {
      readonly kind: 'tension-read';
      readonly payload: {
        readonly layer: string;
        readonly holds: boolean;
        /** Metres of the layer on when it was looked at. */
        readonly wound?: number;
      };
    }
  | {
      readonly kind: 'chosen';
      readonly payload: {
        readonly layer: string;
        readonly how: TooLongChoice;
        /** The gap that is accepted, mm. */
        readonly gap?: number;
        /** Metres the layer is cut to. */
        readonly length?: number;
      };
    }
  /** A walk to a mark, or a length pulled over a line meter, and what the reel's counter showed there. */
  | { readonly kind: 'walked'; readonly payload: Walked }
  /** Line moved by the count while the counter is matched: from now on, or no longer. Walks are not counted. */
  | { readonly kind: 'moving'; readonly payload: { readonly on: boolean } & Seeing }
  /** An answer to readings that contradict each other: what is wrong, and which of them. */
  | { readonly kind: 'settled'; readonly payload: Settling }
  /** What was written down at a step. */
  | {
      readonly kind: 'noted';
      readonly payload: { readonly step: string; readonly values: Readonly<Record<string, NoteValue>> };
    }
  /** From here on a layer is wound off another piece; the one before may have run out. */
  | { readonly kind: 'piece-changed'; readonly payload: PieceChanged }
  /** Put aside: its bench is free for another reel until somebody takes it up. */
  | { readonly kind: 'put-aside'; readonly payload: { readonly why: string } }
  /** Given up: what was wound went off again, and the reel waits as it was booked. */
  | {
      readonly kind: 'given-up';
      readonly payload: { readonly why: string; readonly line: (typeof GIVEN_UP_TO)[number] };
    }
  /** An earlier event taken back. It stays in the log. */
  | { readonly kind: 'undone'; readonly payload: { readonly event: string } }
  | { readonly kind: 'closed'; readonly payload: Readonly<Record<string, never>> }
  /** Something in the record of a closed run put right, with a reason; both versions are kept. */
  | { readonly kind: 'corrected'; readonly payload: Correction }
  /** Opened again after it was closed. */
  | { readonly kind: 'reopened'; readonly payload: { readonly why: string } };

/** One line of a run's log. Appended once; never changed. */
export type RunEvent = RunHappening & {
  /** Made where it happened, so that sending it twice is harmless. */
  readonly id: string;
  readonly run: string;
  /** Place in the run's log, from 1 without a gap. */
  readonly seq: number;
  /** UTC, ISO 8601. */
  readonly at: string;
  /** Name of whoever did it. */
  readonly by: string;
};
