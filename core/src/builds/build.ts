import type { Line } from '../lines/line';
import type { LineCost } from '../money/line-cost';
import type { Words } from '../words/message';
import type { FillPlan, PlanIssue } from '../plan/fill-plan';

/** A line to build with: what is free of it on its piece, m, and what a metre of it costs. */
export interface StockLine {
  readonly line: Line;
  readonly free: number;
  readonly pricePerMetre: number;
}

/** What a reel is to be built from. */
export interface BuildChoice {
  readonly main: StockLine;
  /** Left out where there is no backing to hand. */
  readonly backing?: StockLine;
  /** Metres of main wanted. */
  readonly mainLength: number;
  /** mm below the lip, and turns of spool or rotor to one of the handle. */
  readonly gap: number;
  readonly gear: number;
  /** mm to a wrap; 0.15 unless said (from memory, no source). */
  readonly tapeThickness?: number;
  /** Whether the reel came with a second spool, which winding the main first needs. */
  readonly spareSpool?: boolean;
}

export type BuildKind = 'backing' | 'shorter-main' | 'main-only' | 'tape' | 'main-first';

/** One way to build the fill, with all that tells it from the others. */
export interface Build {
  readonly kind: BuildKind;
  readonly plan: FillPlan;
  /** Metres each line takes, and what that leaves free on its piece; negative where the piece is too short. */
  readonly uses: { readonly main: number; readonly backing: number };
  readonly left: { readonly main: number; readonly backing: number };
  /** Handle turns over all windings; winding main first takes two. */
  readonly handleTurns: number;
  readonly cost: LineCost;
  /** What it saves against filling with main alone, in the shop's money. */
  readonly saves: number;
  /** Knots or splices between lines. */
  readonly joins: number;
  /** Why one would choose it. */
  readonly reason: Words;
  /** Why it cannot be done or should be thought over. */
  readonly issues: readonly BuildIssue[];
}

export type BuildIssue = PlanIssue | PieceTooShort;

/** A piece that has not enough left for a build. */
export interface PieceTooShort {
  readonly code: 'piece-too-short';
  readonly severity: 'error';
  readonly sentence: Words;
  readonly at: 'main' | 'backing';
  readonly values: { readonly short: number };
}
