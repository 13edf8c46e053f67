import type { ReelType } from '../lines/reel-type';
import type { Observation } from '../spool/observation';
import { priorsFor, READING_SD } from '../spool/priors';
import { normalFrom, seeded } from '../numeric/random';

const TYPES: readonly ReelType[] = ['fixed-spool', 'baitcaster', 'spincast', 'trolling', 'big-game'];

/** Readings of one spool as somebody might type them in. */
export interface TypedReadings {
  readonly type: ReelType;
  readonly observations: readonly Observation[];
  /** What somebody got wrong. */
  readonly slip: 'none' | 'rating-by-ten' | 'contradiction';
}

/** How deep the spools are: arbor over lip radius. */
export interface Depths {
  readonly from: number;
  readonly to: number;
}

/**
 * Readings of spools of all types, shallow to deep, with a rating mistyped by ten or a reading that contradicts the rest
 * in some of them. Seeded, so that each run has the same ones.
 */
export function* typedReadings(
  seed: number,
  { from, to }: Depths = { from: 0.3, to: 0.95 },
): Generator<TypedReadings, never> {
  const uniform = seeded(seed);
  const normal = normalFrom(uniform);
  const between = (low: number, high: number): number => low + (high - low) * uniform();
  for (;;) {
    const type = TYPES[Math.floor(5 * uniform())] ?? 'fixed-spool';
    const priors = priorsFor(type);
    const lip = priors.lip.median * Math.exp(priors.lip.sd * normal());
    const width = lip * priors.aspect.median * Math.exp(priors.aspect.sd * normal());
    const arbor = lip * between(from, to);
    const packing = between(0.58, 0.82);
    const depth = Math.min(between(0.5, 2.5), 0.6 * (lip - arbor));
    const on = between(0.1, 0.9);
    const surface = Math.sqrt(arbor ** 2 + on * (lip ** 2 - arbor ** 2));
    const capacity = (4 * packing * width * ((lip - depth) ** 2 - arbor ** 2)) / 1000;
    const diameter = (): number => [0.12, 0.165, 0.2, 0.25, 0.3, 0.4, 0.5][Math.floor(7 * uniform())] ?? 0.3;
    const slip = uniform();
    const rating = (times = 1): Observation => {
      const d = diameter();
      return { kind: 'rating', length: (times * capacity * Math.exp(0.06 * normal())) / d ** 2, diameter: d };
    };
    const ratings = Array.from({ length: Math.floor(3.2 * uniform()) }, () => rating());
    const all: Observation[] = [
      ...ratings,
      ...(slip > 0.85 && slip < 0.93 ? [rating(uniform() > 0.5 ? 10 : 0.1)] : []),
      { kind: 'lip', diameter: 2 * lip + READING_SD.lip * normal() },
      { kind: 'width', width: (slip > 0.93 ? between(0.4, 2) : 1) * width },
      { kind: 'arbor', diameter: 2 * arbor },
      { kind: 'retrieve', perTurn: (2 * Math.PI * (lip - depth) * 5) / 1000, gear: 5 },
      {
        kind: 'depth',
        layers: [
          {
            line: { key: 'on', material: 'nylon', diameter: 0.25 },
            length: (on * 4 * packing * width * (lip ** 2 - arbor ** 2)) / 1000 / 0.25 ** 2,
          },
        ],
        depth: lip - surface + (slip > 0.97 ? 2 : 0.2) * normal(),
        by: slip > 0.5 ? 'calliper' : 'eye',
      },
    ];
    const observations = all.filter((one) => one.kind === 'rating' || uniform() > 0.45);
    yield {
      type,
      observations,
      slip: slip > 0.93 ? 'contradiction' : slip > 0.85 ? 'rating-by-ten' : 'none',
    };
  }
}
