import type { Ranged } from '../numeric/ranged';
import type { Estimate } from '../spool/estimate';
import type { Factor } from '../spool/parameters';
import type { Question } from './question';

/** What a layer's length rests on, for a person to judge it by. */
export type Basis = 'counter' | 'hand-count' | 'meter' | 'depth' | 'used-up' | 'weighed' | 'plan';

/** One layer of line as it most likely lies. Lengths in m, radii and depths in mm. */
export interface SettledLayer {
  readonly id: string;
  readonly length: Ranged;
  readonly handleTurns: Ranged;
  readonly innerRadius: number;
  readonly outerRadius: number;
  readonly depthAfter: number;
  readonly restsOn: readonly Basis[];
}

/** A fill as it most likely lies on its spool. */
export interface SettledFill {
  /** Every layer of the request, arbor first; those that are not line have no length. */
  readonly layers: readonly SettledLayer[];
  readonly gap: Ranged;
  /** The spool as it is known with everything seen of this fill. */
  readonly spool: Estimate;
  /** What contradicts what, with the two likeliest causes; null where nothing does. */
  readonly question: Question | null;
  /** What else was open: its name, what was believed, and ln of what it came to with its variance. */
  readonly factors: readonly (Factor & { readonly value: number; readonly variance: number })[];
  /** By how much the gear, or what one count is worth, turned out to be another: 1 where it was not answered. */
  readonly gearFactor: number;
  /** By how much the turns of a layer were most likely wrong: 1 where they were not. */
  readonly countFactor: (id: string) => number;
}
