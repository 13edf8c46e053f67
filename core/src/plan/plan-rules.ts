/** House figures a plan is judged by. Lengths in m, thicknesses in mm. Common practice, no source. */
export interface PlanRules {
  /** Least line a reel should hold in all: 100 yd. */
  readonly leastTotal: number;
  /** A long cast, for "leave a cast and a half above the join". */
  readonly longCast: number;
  readonly castsAboveJoin: number;
  /** Nylon backing from this diameter on (about 15 lb) is springy and braid above it lies badly. */
  readonly springyFrom: number;
  /** Diameter swelling of saturated nylon as a share; from memory. */
  readonly swelling: readonly [low: number, high: number];
}

export const USUAL_PLAN_RULES: PlanRules = {
  leastTotal: 91.44,
  longCast: 50,
  castsAboveJoin: 1.5,
  springyFrom: 0.36,
  swelling: [0.01, 0.03],
};
