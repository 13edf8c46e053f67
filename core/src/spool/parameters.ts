import type { Line, Material } from '../lines/line';
import type { SpoolGeometry } from './spool-geometry';
import type { Belief, PrintSystem, SpoolPriors } from './priors';

/**
 * The vector inference works on: ln RL, ln(W/RL), logit(R0/RL), ln φ, rating depth, then ln κ for each line, then the
 * logarithm of every other unknown factor (a maker's bias, a print's diameter, a meter's scale). In these coordinates
 * no vector means an impossible spool.
 */
export type ParameterVector = readonly number[];

/** Where the bulks begin in a parameter vector. */
export const FIRST_BULK = 5;

/** Place of each geometric parameter in the vector. */
export const PLACE = { lip: 0, aspect: 1, arbor: 2, packing: 3, ratingDepth: 4 } as const;

const logit = (share: number): number => Math.log(share / (1 - share));
/** As near to all or nothing as still leaves a spool. */
const MOST_LOGIT = 30;
const share = (value: number): number =>
  1 / (1 + Math.exp(-Math.max(-MOST_LOGIT, Math.min(MOST_LOGIT, value))));

/** The spool a parameter vector stands for. */
export function decodeSpool(vector: ParameterVector): SpoolGeometry {
  const lipRadius = Math.exp(vector[PLACE.lip] ?? 0);
  return {
    lipRadius,
    width: lipRadius * Math.exp(vector[PLACE.aspect] ?? 0),
    arborRadius: lipRadius * share(vector[PLACE.arbor] ?? 0),
    packing: Math.exp(vector[PLACE.packing] ?? 0),
    ratingDepth: vector[PLACE.ratingDepth] ?? 0,
  };
}

/** The vector of a spool and the bulks of its lines. */
export const encodeSpool = (spool: SpoolGeometry, bulks: readonly number[] = []): number[] => [
  Math.log(spool.lipRadius),
  Math.log(spool.width / spool.lipRadius),
  logit(spool.arborRadius / spool.lipRadius),
  Math.log(spool.packing),
  spool.ratingDepth,
  ...bulks.map(Math.log),
];

/** What was learned under a name; names come from people, so only the record's own entries count. */
export const learnedAs = (
  learned: Readonly<Record<string, Belief>> | undefined,
  name: string,
): Belief | undefined => (learned && Object.hasOwn(learned, name) ? learned[name] : undefined);

/** What is believed of a line's bulk: what the shop has learned of that line, else its material's. */
export const bulkBelief = (line: Pick<Line, 'key' | 'material'>, priors: SpoolPriors): Belief =>
  learnedAs(priors.learnedBulk, line.key) ?? priors.bulk[line.material];

/** An unknown factor beside the spool's shape and the bulks: its name, and what is believed of it. */
export interface Factor {
  readonly name: string;
  readonly belief: Belief;
}

/** Name of the diameter a print system stands for, shared by all prints of it in one material. */
export const printKey = (system: PrintSystem, material: Material): string => `${system}-${material}`;

/** How far true diameters lie from what a print stands for, one standard deviation. From memory, no source. */
const PRINT_SD: Readonly<Record<PrintSystem, Readonly<Record<Material, number>>>> = {
  strength: { nylon: 0.06, fluorocarbon: 0.06, braid: 0.12, 'hollow-braid': 0.12 },
  size: { nylon: 0.04, fluorocarbon: 0.04, braid: 0.04, 'hollow-braid': 0.04 },
};

/** The same by `printKey`; a key that is none is as unsure as a strength in nylon. */
export function usualPrintSd(key: string): number {
  for (const [system, materials] of Object.entries(PRINT_SD))
    for (const [material, sd] of Object.entries(materials)) if (key === `${system}-${material}`) return sd;
  return PRINT_SD.strength.nylon;
}

export const printBelief = (system: PrintSystem, material: Material, priors: SpoolPriors): Belief =>
  learnedAs(priors.learnedPrints, printKey(system, material)) ?? {
    median: 1,
    sd: PRINT_SD[system][material],
  };

/** Middle and standard deviation of each parameter before any reading. */
export function priorVector(
  priors: SpoolPriors,
  lines: readonly Line[],
  factors: readonly Factor[] = [],
): { mean: number[]; sd: number[] } {
  const { lip, aspect, arborShare, packing, ratingDepth } = priors;
  const beliefs = [...lines.map((line) => bulkBelief(line, priors)), ...factors.map(({ belief }) => belief)];
  return {
    mean: [
      Math.log(lip.median),
      Math.log(aspect.median),
      logit(arborShare.median),
      Math.log(packing.median),
      ratingDepth.median,
      ...beliefs.map(({ median }) => Math.log(median)),
    ],
    sd: [
      lip.sd,
      aspect.sd,
      arborShare.sd / (1 - arborShare.median),
      packing.sd,
      ratingDepth.sd,
      ...beliefs.map(({ sd }) => sd),
    ],
  };
}
