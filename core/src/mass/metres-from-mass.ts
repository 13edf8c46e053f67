import { message, type Words } from '../words/message';
import { fail, succeed, type Issue, type Result } from '../issue';
import { isBraid, lineArea, type Line, type Material } from '../lines/line';
import { isWithin } from '../numeric/bounded';
import { ranged, type Ranged } from '../numeric/ranged';

/** Densities, g/cm³: nylon, polyvinylidene fluoride, polyethylene fibre. From memory. */
export const DENSITY: Readonly<Record<Material, number>> = {
  nylon: 1.14,
  fluorocarbon: 1.78,
  braid: 0.97,
  'hollow-braid': 0.97,
};

/** Grams per metre, and how sure that is as a share. */
export interface LinearMass {
  readonly gramsPerMetre: number;
  readonly sd: number;
}

/** One gram per kilometre is one tex (ISO 1144). */
export const texOf = (gramsPerMetre: number): number => gramsPerMetre * 1000;

/** How far a nominal diameter is off, so that its area is off twice as much. From memory. */
const AREA_SD = 0.08;

/** Grams per metre of a solid line from its nominal diameter; null for braid, which is mostly air at that diameter. */
export const solidMass = ({ material, diameter }: Line): LinearMass | null =>
  isBraid(material)
    ? null
    : { gramsPerMetre: DENSITY[material] * lineArea(diameter) * 1e-3 * 1000, sd: AREA_SD };

/** A piece on the scale, grams. */
export interface WeighIn {
  readonly gross: number;
  readonly tare: number;
  /** One standard deviation of the scale. */
  readonly scaleSd?: number;
  /** Whether it was soaked and still is wet. */
  readonly wet?: boolean;
}

export type MassIssue = Issue<'wet-spool' | 'below-tare' | 'mass-not-learned' | 'mass-out-of-range'>;

const refuse = (
  code: MassIssue['code'],
  sentence: Words,
): { readonly ok: false; readonly issues: readonly MassIssue[] } =>
  fail<MassIssue>({ code, severity: 'error', sentence });

/**
 * Metres left on a piece from its weight.
 *
 * @param learned grams per metre the shop has measured for this line; braid needs one
 * @returns metres with their range, or an issue: a wet spool weighs its water too and is refused
 */
export function metresFromMass(
  line: Line,
  { gross, tare, scaleSd = 1, wet = false }: WeighIn,
  learned?: LinearMass,
): Result<Ranged, MassIssue> {
  if (!(gross >= 0 && gross < 100_000 && tare >= 0 && tare < 100_000))
    return refuse('mass-out-of-range', message('piece.weighs', { most: { g: 100_000 } }));
  // Nylon takes water up and braid holds it between its strands; fluorocarbon takes up next to none.
  if (wet && line.material !== 'fluorocarbon') {
    return refuse('wet-spool', 'This spool is wet and weighs its water too. Weigh it dry, or count it.');
  }
  if (gross < tare)
    return refuse('below-tare', message('piece.below-tare', { gross: { g: gross }, tare: { g: tare } }));
  const mass = learned ?? solidMass(line);
  if (!mass)
    return refuse(
      'mass-not-learned',
      'Braid is mostly air at its nominal diameter. Weigh a measured length of it first.',
    );
  const metres = (gross - tare) / mass.gramsPerMetre;
  if (!isWithin(metres, 0, 1_000_000))
    return refuse(
      'mass-out-of-range',
      'That comes to no length of line. Look at the diameter and the weights.',
    );
  return succeed(ranged(metres, Math.hypot(metres * mass.sd, scaleSd / mass.gramsPerMetre), 0));
}

/** A measured length, weighed: what grams per metre are learned from. */
export interface Sample {
  readonly metres: number;
  readonly grams: number;
}

/** A measured length is off by this share of it, one standard deviation. From memory. */
const LENGTH_SD = 0.005;

/**
 * Grams per metre from weighed, measured lengths: total mass over total length, surer with each sample. Samples that lie
 * farther apart than scale and tape let them widen it by how much they do (R. T. Birge, The Calculation of Errors by the
 * Method of Least Squares, Physical Review 40, 1932; from memory).
 */
export function learnMass(weighed: readonly Sample[], scaleSd = 1): LinearMass | null {
  // What no scale and no tape can say is passed over.
  const samples = weighed.filter(
    ({ metres, grams }) => isWithin(metres, 0.01, 100_000) && isWithin(grams, 0.001, 1_000_000),
  );
  const metres = samples.reduce((sum, sample) => sum + sample.metres, 0);
  const grams = samples.reduce((sum, sample) => sum + sample.grams, 0);
  if (metres <= 0 || grams <= 0) return null;
  const gramsPerMetre = grams / metres;
  const off = samples.reduce((sum, sample) => {
    const expected = gramsPerMetre * sample.metres;
    return sum + ((sample.grams - expected) / Math.hypot(scaleSd, LENGTH_SD * expected)) ** 2;
  }, 0);
  const apart = Math.sqrt(Math.max(1, off / Math.max(1, samples.length - 1)));
  return { gramsPerMetre, sd: (apart * scaleSd * Math.sqrt(samples.length)) / grams };
}
