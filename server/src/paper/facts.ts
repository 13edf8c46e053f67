import type { OrderRow } from '../cuts/order-rows';
import type { Bag, CustomerCounter, Fill, Label, OnSpool, PlannedCut } from '@yard-spool/contract';
import type { CounterUnit, ReelType, RowToTell, TableRow } from '@yard-spool/core';

/** A tag: whose reel it is, and what lies on it now. */
export interface TagFacts {
  readonly tag: string;
  readonly reel: string;
  readonly customer: string;
  readonly on: OnSpool | null;
  readonly label: Label;
}

/** A counter at true lengths. */
export interface CounterRows {
  readonly unit: CounterUnit;
  /** In the counter's unit. */
  readonly match: number;
  readonly rows: readonly TableRow[];
}

/** One reel as it is handed back. */
export interface HandedBack {
  readonly tag: string;
  readonly reel: string;
  readonly type: ReelType;
  readonly spool: string;
  readonly fill: Fill;
  readonly on: OnSpool | null;
  readonly counter: CounterRows | null;
  readonly dragKg: number | null;
  readonly leader: string;
}

export interface HandBackFacts {
  readonly bag: Pick<Bag, 'number' | 'customer' | 'brought'>;
  readonly reels: readonly HandedBack[];
  /** Where old line goes, by material, in the shop's words; empty where it has not said. */
  readonly bins: Readonly<Record<string, string>>;
}

/** A cut and where its piece lies. */
export interface PlacedCut extends PlannedCut {
  readonly place: string;
}

/** What waits to be cut, reel by reel. */
export interface CutsFacts {
  readonly title: string;
  readonly reels: readonly {
    readonly bag: number;
    readonly customer: string;
    readonly promisedAt: string;
    readonly tag: string;
    readonly reel: string;
    readonly spool: string;
    readonly gap: number;
    readonly layers: readonly {
      readonly role: string;
      readonly metres: number;
      readonly handleTurns: number;
      readonly joinDepth: number | null;
      readonly cut: PlacedCut | null;
      /** What it is joined to, where one piece has not enough. */
      readonly joined: PlacedCut | null;
    }[];
  }[];
}

/** Depths to be read on reels that wait. */
export interface GaugeFacts {
  readonly title: string;
  readonly strips: readonly {
    readonly tag: string;
    readonly name: string;
    readonly marks: readonly { readonly kind: 'stop' | 'join'; readonly depth: number }[];
  }[];
}

/** The counters of reels that are fished together. */
export interface SetFacts {
  readonly customer: string;
  readonly counters: readonly CustomerCounter[];
}

/** Flags for a tape. */
export interface TapeFacts {
  /** Empty for any reel. */
  readonly tag: string;
  readonly reel: string;
  readonly counter: CounterRows | null;
  readonly unit: CounterUnit;
}

/** What is done today, by where it is done. */
export interface OrderFacts {
  readonly title: string;
  readonly places: readonly {
    readonly name: string;
    readonly rows: readonly {
      readonly row: RowToTell;
      /** Null for what is under way. */
      readonly at: string | null;
      readonly takes: string;
      readonly by: string;
    }[];
  }[];
}

/** What a supplier is asked for. */
export interface OrderListFacts {
  readonly title: string;
  /** The shop's money as it writes it. */
  readonly money: string;
  readonly rows: readonly OrderRow[];
}

/** What is known of whatever is to be printed. */
export type PaperFacts =
  | { readonly what: 'tag'; readonly facts: TagFacts }
  | { readonly what: 'claim-slip'; readonly facts: Bag }
  | { readonly what: 'cut-list'; readonly facts: CutsFacts }
  | { readonly what: 'set-out'; readonly facts: CutsFacts }
  | { readonly what: 'hand-back'; readonly facts: HandBackFacts }
  | { readonly what: 'set-sheet'; readonly facts: SetFacts }
  | { readonly what: 'gauge'; readonly facts: GaugeFacts }
  | { readonly what: 'tape-marks'; readonly facts: TapeFacts }
  | { readonly what: 'order-list'; readonly facts: OrderListFacts }
  | { readonly what: 'running-order'; readonly facts: OrderFacts };
