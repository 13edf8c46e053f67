import type { LeastSquaresFit } from '../numeric/least-squares';
import { depthSpread } from './forecast';
import type { Observation } from './observation';
import { READING_SD } from './priors';
import { message, type Words } from '../words/message';

/** The reading that fits the others least. */
export interface Disagreement {
  /** Its place among the observations. */
  readonly index: number;
  /** How many standard deviations it lies from what the rest say. */
  readonly standardised: number;
  /** How much more it says than the rest: a share for ratings, retrieves and stretches (0.12 is 12 % more), mm otherwise. */
  readonly excess: number;
  /** What it says, against what, and what to look at. */
  readonly sentence: Words;
}

/** From this many standard deviations on a reading is pointed out. */
const NOTICEABLE = 3;
/** Two readings that are this near to equally odd are told by which is easier to look at again. */
const AS_ODD = 0.93;

type Refit = (kept: readonly Observation[]) => LeastSquaresFit | null;

/**
 * Compares each reading with what the others predict for it (the deleted residual of linear least squares,
 * r/(1 − h), and its standardised form r/√(1 − h)), on a fit that holds little by what such spools usually are: a spool
 * that is only unusual contradicts nobody. One reading alone never disagrees.
 *
 * @param refit the least squares of some of the observations with freer beliefs about the shape
 */
export function findDisagreement(
  observations: readonly Observation[],
  fit: LeastSquaresFit,
  refit: Refit,
): Disagreement | null {
  if (observations.length < 2 || worstOf(observations, fit) === null) return null;
  const freer = refit(observations);
  const worst = freer && worstOf(observations, freer);
  if (!worst) return null;
  const observation = observations[worst.index];
  if (!observation) return null;
  const against = opponentOf(observations, worst, refit);
  return { ...worst, sentence: sentenceFor(observation, worst.excess, against) };
}

type Odd = Omit<Disagreement, 'sentence'>;

/** The oddest reading; of several about as odd, the one that is easiest to look at again. */
function worstOf(observations: readonly Observation[], fit: LeastSquaresFit): Odd | null {
  const odd = observations
    .map((observation, index): Odd => {
      const residual = fit.residuals[index] ?? 0;
      const free = Math.max(1e-6, 1 - (fit.leverage[index] ?? 0));
      return {
        index,
        standardised: residual / Math.sqrt(free),
        excess: excessOf(observation, residual / free),
      };
    })
    .filter(({ standardised }) => Math.abs(standardised) >= NOTICEABLE);
  const most = Math.max(...odd.map(({ standardised }) => Math.abs(standardised)));
  const ease = ({ index }: Odd): number => EASE.indexOf(observations[index]?.kind ?? 'rating');
  return (
    odd
      .filter(({ standardised }) => Math.abs(standardised) >= AS_ODD * most)
      .sort((a, b) => ease(a) - ease(b))[0] ?? null
  );
}

/** Easiest to look at again first. */
const EASE: readonly Observation['kind'][] = [
  'lip',
  'width',
  'arbor',
  'depth',
  'retrieve',
  'stretch',
  'rating',
];

/** The one other reading without which nothing is odd; null where it takes more than one. */
function opponentOf(observations: readonly Observation[], { index }: Odd, refit: Refit): Observation | null {
  const others = observations.flatMap((one, i) => (i === index ? [] : [{ one, i }]));
  const [only] = others;
  if (others.length === 1) return only?.one ?? null;
  const opponents = others.filter(({ i }) => {
    const kept = observations.filter((_, at) => at !== i);
    const without = refit(kept);
    return without !== null && worstOf(kept, without) === null;
  });
  return opponents.length === 1 ? (opponents[0]?.one ?? null) : null;
}

function excessOf(observation: Observation, deletedResidual: number): number {
  const ratio = (sd: number): number => Math.exp(Math.max(-30, Math.min(30, deletedResidual * sd))) - 1;
  switch (observation.kind) {
    case 'rating':
      return ratio(READING_SD.rating);
    case 'retrieve':
      return ratio(READING_SD.retrieve);
    case 'stretch':
      return ratio(observation.sd);
    case 'depth':
      return deletedResidual * depthSpread(observation);
    default:
      return deletedResidual * READING_SD[observation.kind];
  }
}

const RELATIVE = new Set<Observation['kind']>(['rating', 'retrieve', 'stretch']);

function sentenceFor(observation: Observation, excess: number, against: Observation | null): Words {
  const than = against ? `the ${nameOf(against)} would have` : 'the rest';
  const checks = [observation, ...(against ? [against] : [])].map(({ kind }) => CHECK[kind]);
  const what = nameOf(observation);
  const check = [...new Set(checks)].join(' ');
  if (RELATIVE.has(observation.kind)) {
    const share = `${(Math.abs(excess) * 100).toFixed(0)} % ${excess > 0 ? 'more' : 'less'}`;
    return `The ${what} says ${share} than ${than}. ${check}`;
  }
  return message(excess > 0 ? 'spool.disagrees-more' : 'spool.disagrees-less', {
    what,
    than,
    check,
    amount: { mm: Math.abs(excess) },
  });
}

const CHECK: Readonly<Record<Observation['kind'], string>> = {
  rating: 'Read the print once more.',
  lip: 'Measure straight across the lip again.',
  arbor: 'Measure the bare arbor again, at both ends.',
  width: 'Measure the width between the flanges again.',
  retrieve: 'Measure one handle turn again, and look at the gear ratio.',
  depth: 'Read the depth again from the lip, and look at the count.',
  stretch: 'Look at the gear ratio and at the count.',
};

function nameOf(observation: Observation): string {
  switch (observation.kind) {
    case 'rating':
      return `${observation.diameter.toFixed(2)} rating`;
    case 'retrieve':
      return 'retrieve per turn';
    case 'width':
      return 'winding width';
    case 'depth':
      return 'depth reading';
    case 'stretch':
      return 'length counted';
    default:
      return `${observation.kind} diameter`;
  }
}
