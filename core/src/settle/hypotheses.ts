import type { Settling } from '../run/settling';
import type { FillEvidence } from './evidence';

/** What may be wrong with a fill: what somebody can be asked about it, and what was read of the bare spool. */
export interface Doubt {
  readonly cause: Settling['cause'] | 'lip' | 'barrel';
  readonly about: string;
}

/** What a hypothesis frees, beside what is always unknown: names of factors (ln) and offsets (mm) with their spread. */
export interface Hypothesis {
  readonly settling: Settling;
  /** How much less often this happens than the commonest, in units of cost (−2 ln of its odds). From memory. */
  readonly penalty: number;
}

/** How far each cause may reach: ln of a factor, or mm for a depth. */
export const REACH: Readonly<Record<Exclude<Doubt['cause'], 'none'>, number>> = {
  gear: 0.25,
  count: 0.5,
  depth: 3,
  packing: 0.25,
  line: 0.35,
  piece: 0.3,
  meter: 0.1,
  lip: 2,
  barrel: 4,
};

const PENALTY: Readonly<Record<Exclude<Settling['cause'], 'none'>, number>> = {
  count: 0,
  depth: 1,
  gear: 2,
  packing: 3,
  piece: 4,
  line: 4,
  meter: 3,
};

/** Everything that could be wrong with a fill's readings, one thing at a time. */
export function hypothesesFor({ layers, depths, stretches = [] }: FillEvidence): Hypothesis[] {
  const of = (cause: Exclude<Settling['cause'], 'none'>, about = '', more = 0): Hypothesis => ({
    settling: { cause, about },
    penalty: PENALTY[cause] + more,
  });
  const turned = layers.filter(({ goes }) => goes.some((go) => 'spoolTurns' in go));
  const metered = stretches.length > 0 || layers.some(({ goes }) => goes.some((go) => 'metres' in go));
  return [
    ...(turned.length > 0 ? [of('gear')] : []),
    // What was counted on top of a layer wound by eye says too little of its length to be doubted.
    ...turned
      .filter(({ byEye }) => !byEye)
      .map(({ id, countedBy }) => of('count', id, countedBy === 'device' ? 4 : 0)),
    ...depths.map((_, i) => of('depth', String(i))),
    of('packing'),
    ...layers.map(({ id }) => of('line', id)),
    ...layers.flatMap(({ id, piece, usedUp }) => (piece ? [of('piece', id, usedUp ? 0 : 2)] : [])),
    ...(metered ? [of('meter')] : []),
  ];
}

/**
 * How much room a settling opens beside what was free before: its reach where it frees a figure of its own, else how much
 * wider than usual a figure may lie.
 */
export const reachOver = ({ cause }: Doubt): number =>
  cause === 'none' ? 1 : REACH[cause] / (cause === 'packing' || cause === 'line' ? FREE_ALREADY : 1);

/** How wide packing and a line’s bulk lie anyway, ln, about. */
const FREE_ALREADY = 0.1;

/** What was read of the bare spool may be wrong too: a lip misread, a barrel that tapers and was read at one end. */
export function doubtsOfSpool({
  observations,
}: FillEvidence): { readonly doubt: Doubt; readonly penalty: number }[] {
  const lip = observations.some(({ kind }) => kind === 'lip');
  const oneEnd = observations.some((one) => one.kind === 'arbor' && one.farDiameter === undefined);
  return [
    ...(lip ? [{ doubt: { cause: 'lip' as const, about: '' }, penalty: 0 }] : []),
    ...(oneEnd ? [{ doubt: { cause: 'barrel' as const, about: '' }, penalty: -3 }] : []),
  ];
}

/** The name of what a settling frees, among a problem's unknowns. */
export const freedName = ({ cause, about }: Doubt): string => `${cause}:${about}`;
