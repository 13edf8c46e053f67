import type { KnownCounter } from '../counter/counter-beliefs';
import type { ReelType } from '../lines/reel-type';
import { priorsFor, type Belief, type SpoolPriors } from './priors';

/** What is believed of a spool and its lines beside what was read of them: its type, and what the shop has learned. */
export interface Beliefs {
  readonly type?: ReelType;
  /** Packing of this kind of reel, as this shop winds it. */
  readonly packing?: Belief;
  /** Bulk by line key. */
  readonly bulk?: Readonly<Record<string, Belief>>;
  /** True diameter over the printed one, by print system and material. */
  readonly prints?: Readonly<Record<string, Belief>>;
  /** The reel's own counter, as walks of it or of its kind taught it. */
  readonly counter?: KnownCounter;
}

/** The beliefs a spool starts from: its type's, and in their place what was learned. */
export function priorsOf({ type, packing, bulk, prints }: Beliefs = {}): SpoolPriors {
  const priors = priorsFor(type);
  return {
    ...priors,
    ...(packing ? { packing } : {}),
    ...(bulk ? { learnedBulk: bulk } : {}),
    ...(prints ? { learnedPrints: prints } : {}),
  };
}
