/** Fills that have something in common: a lot, a piece, a person, a kind of reel, a rule; and how many came back. */
export interface FillGroup {
  readonly key: string;
  readonly filled: number;
  readonly back: number;
}

/** A group of which more came back than chance allows. */
export interface StandingOut extends FillGroup {
  /** Share of all other fills that came back. */
  readonly elsewhere: number;
  /** So much happens by chance once in so many times, all groups that were looked at counted. */
  readonly odds: number;
}

/** Told where chance does it less often than once in so many times. Common practice in statistics (one in twenty). */
const TOLD_FROM = 20;
/** One that came back says nothing. */
const LEAST = 2;
/** Nothing is told as rarer than this. */
const MOST_ODDS = 1_000_000;

/**
 * Groups of which more came back than chance allows, the least likely first; one that every fill is in stands out from none. The chance is the upper tail of a binomial with
 * the rate of all others, times the groups looked at (Bonferroni): among many lots one is always the worst.
 *
 * @param all every fill that was looked at, whatever group it is in
 */
export function standingOut(
  groups: readonly FillGroup[],
  all: Pick<FillGroup, 'filled' | 'back'>,
): StandingOut[] {
  return groups
    .filter(({ filled, back }) => back >= LEAST && filled < all.filled)
    .map((group) => {
      const others = all.filled - group.filled;
      // Half a comeback more, as nothing that never happened has no chance at all (Jeffreys).
      const elsewhere = (Math.max(0, all.back - group.back) + 0.5) / (others + 1);
      const chance = Math.min(1, groups.length * upperTail(group.back, group.filled, elsewhere));
      return { ...group, elsewhere, odds: Math.min(MOST_ODDS, Math.round(1 / chance)) };
    })
    .filter(({ odds }) => odds >= TOLD_FROM)
    .sort((a, b) => b.odds - a.odds);
}

/** Chance that of so many at least so many come back, each with the same chance. */
export function upperTail(back: number, filled: number, chance: number): number {
  if (back <= 0) return 1;
  if (chance >= 1) return 1;
  let log = filled * Math.log1p(-chance);
  let below = 0;
  for (let k = 0; k < back && k <= filled; k += 1) {
    below += Math.exp(log);
    log += Math.log((filled - k) / (k + 1)) + Math.log(chance) - Math.log1p(-chance);
  }
  if (below < 0.9) return Math.max(0, 1 - below);
  // Near one the small rest is summed itself.
  let rest = 0;
  for (let k = back; k <= filled; k += 1) {
    rest += Math.exp(log);
    log += Math.log((filled - k) / (k + 1)) + Math.log(chance) - Math.log1p(-chance);
  }
  return rest;
}
