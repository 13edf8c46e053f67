import { amplePieces, type AmplePieces } from './ample';
import { apartOf, asChosen, cutsOf, together } from './apart-cuts';
import { partCuts } from './part-cuts';
import { quickCuts } from './quick-cuts';
import {
  compareCuts,
  CUT_LEVELS,
  faultsOfCuts,
  ranksOf,
  scoreCuts,
  type CutLevel,
  type CutScore,
  type Ranks,
} from './score-cuts';
import { LevelCuts, type LevelGap, type Solve, type Time } from './level-cuts';
import { backingAlone, backingName, mainAlone } from './split-job';
import { backingFor, type CutJob, type CutOff, type JobCut, type Stock } from './stock';

/** Which job is fed from which piece. */
export interface CutPlan {
  readonly cuts: readonly JobCut[];
  readonly score: CutScore;
  /** The levels that are not proven, those that count most first; empty where all are. */
  readonly open: readonly LevelGap[];
}

/** Who is served, and with how much of the main. */
const SERVICE: readonly CutLevel[] = ['unserved', 'shortMm'];
/** Which pieces that takes. */
const PIECES: readonly CutLevel[] = ['waits', 'opened', 'scrapMm', 'joins', 'moved', 'order'];

/** How much of the time that is left a level may take, where it is not proven before; what counts most gets most. */
const SHARE_OF_TIME: Readonly<Record<CutLevel, number>> = {
  unserved: 0.4,
  shortMm: 0.4,
  waits: 0.3,
  opened: 0.5,
  scrapMm: 0.5,
  joins: 0.3,
  moved: 0.5,
  order: 1,
};

/** So many jobs times pieces are more than a solver finds anything in, in a few seconds. */
const LARGE = 2500;
/** How much of the time goes into parts of what is too large. */
const TIME_OF_PARTS = 0.5;
/** What a level's groups share of its time at first, and again: most are proven at once, and leave theirs to the others. */
const PARTS_OF_TIME = [0.15, 1] as const;

/**
 * Cuts by strict levels, each solved and then fixed before the next: jobs not served, main below what is wanted, cuts that
 * wait for line on order, sealed
 * pieces opened, scrap, backings joined from two, cuts off another piece than they are booked on, oldest opened first. Products that no job links are solved apart. Two steps, which lose nothing:
 *
 * 1. Who is served hangs on the products that lack line alone: those that have enough for all that may come are left out.
 * 2. A job that is served in full then asks each of its products for a length that is known, so that these are solved apart;
 *    only jobs that are not, or that give something up, still link theirs.
 *
 * Where a solver finds nothing in its time the cuts it began with stand.
 *
 * @param time the longest all of it may take, and a clock to hold it to, ms
 */
export function planCuts(stock: Stock, solve: Solve, { withinMs, now }: Time): CutPlan {
  const ranks = ranksOf(stock.pieces);
  const ample = amplePieces(stock);
  const until = now() + withinMs;
  const improve = (groups: readonly LevelCuts[], level: CutLevel, share: number): void => {
    const levelUntil = now() + share * (until - now());
    let left = bySize(groups);
    for (const part of PARTS_OF_TIME) {
      const partUntil = now() + part * (levelUntil - now());
      // Small ones first: what they leave of their share of the time is for the large ones.
      left = left.filter((group, i) => !group.improve(level, solve, (partUntil - now()) / (left.length - i)));
    }
    for (const group of groups) group.settle(level);
  };

  const scarce = scarceOf(stock, ample);
  const atOnce = quickCuts(stock, ranks);
  const served = linkedGroups(scarce).map(
    // Made for it alone, or as they are among all others.
    (group) => new LevelCuts(group, betterCuts(group, quickCuts(group, ranks), cutsOf(group, atOnce)), ranks),
  );
  for (const group of served.filter(isLarge)) {
    const partsUntil = now() + TIME_OF_PARTS * (until - now());
    group.begin(partCuts(group.stock, group.cuts, ranks, solve, { until: partsUntil, now }));
  }
  for (const level of SERVICE) improve(served, level, SHARE_OF_TIME[level]);

  const asked = new Set(scarce.jobs.map(({ id }) => id));
  const short = served.filter(isShort);
  const inDoubt = jobsOf(
    stock,
    short.filter((group) => !isLarge(group)),
  );
  const many = jobsOf(stock, short.filter(isLarge));
  const found = served.flatMap(({ cuts }) => cuts);
  const start = betterCuts(stock, withAmple(stock, ample, asked, found), atOnce);
  const apart = linkedGroups(apartOf(asChosen(stock, many, start), inDoubt)).map(
    (group) => new LevelCuts(group, cutsOf(group, start), ranks),
  );
  for (const group of apart) {
    group.swap();
    for (const level of SERVICE) group.hold(level);
  }
  for (const level of PIECES) improve(apart, level, SHARE_OF_TIME[level]);
  const cuts = together(
    stock,
    apart.flatMap((group) => group.cuts),
  );
  const gaps = apart.flatMap((group) => (isOf(group, many) ? allOpen(group, ranks) : group.open));
  return best(stock, cuts, atOnce, [...served.flatMap(({ open }) => open), ...gaps]);
}

/** All jobs that have a part in some groups. */
function jobsOf({ jobs }: Stock, groups: readonly LevelCuts[]): ReadonlySet<string> {
  const names = new Set(groups.flatMap((group) => group.stock.jobs.map(({ id }) => id)));
  return new Set(jobs.map(({ id }) => id).filter((id) => names.has(id) || names.has(backingName(id))));
}

/** Who is served was not proven, so that nothing is that hangs on it. */
const isOf = ({ stock }: LevelCuts, many: ReadonlySet<string>): boolean =>
  stock.jobs.some(({ id }) => many.has(id) || [...many].some((job) => backingName(job) === id));

function allOpen({ stock, cuts }: LevelCuts, ranks: Ranks): LevelGap[] {
  const score = scoreCuts(stock, cuts, ranks);
  return PIECES.map((level) => ({ level, gap: level === 'scrapMm' ? score.scrapMm / 1000 : score[level] }));
}

const bySize = (groups: readonly LevelCuts[]): LevelCuts[] =>
  [...groups].sort((a, b) => sizeOf(a.stock) - sizeOf(b.stock));

/** More than a solver can look at in one piece. */
const isLarge = ({ stock }: LevelCuts): boolean => sizeOf(stock) > LARGE;

const sizeOf = ({ jobs, pieces }: Stock): number => jobs.length * pieces.length;

const betterCuts = (stock: Stock, a: readonly JobCut[], b: readonly JobCut[]): readonly JobCut[] =>
  compareCuts(scoreCuts(stock, b), scoreCuts(stock, a)) < 0 ? b : a;

/** Whether some job is not served, or gives something up: which of them it is may still be chosen. */
function isShort({ stock, cuts }: LevelCuts): boolean {
  const { unserved, shortMm } = scoreCuts(stock, cuts);
  return unserved > 0 || shortMm > 0;
}

/** Cuts as found, or those at once where they are better or what was found cannot be cut. */
function best(
  stock: Stock,
  cuts: readonly JobCut[],
  atOnce: readonly JobCut[],
  open: readonly LevelGap[],
): CutPlan {
  const score = scoreCuts(stock, cuts);
  const least = scoreCuts(stock, atOnce);
  if (faultsOfCuts(stock, cuts).length === 0 && compareCuts(score, least) <= 0)
    return { cuts, score, open: gapsOf(open) };
  // What a solver says cannot be cut is nobody's plan, and proves nothing of the one that stands.
  return { cuts: atOnce, score: least, open: [{ level: CUT_LEVELS[0], gap: Infinity }] };
}

const gapsOf = (open: readonly LevelGap[]): LevelGap[] =>
  CUT_LEVELS.map((level) => ({
    level,
    gap: open.reduce((all, one) => all + (one.level === level ? one.gap : 0), 0),
  })).filter(({ gap }) => gap > 0);

/** What asks a product that may lack line, of that product alone; what it asks of others is left out. */
function scarceOf({ jobs, pieces, tailMm }: Stock, ample: ReadonlyMap<string, AmplePieces>): Stock {
  const mayLack = (product: string | undefined): boolean => product !== undefined && !ample.has(product);
  const asked = jobs.flatMap((job) => {
    const main = mayLack(job.main.product);
    const backing = mayLack(job.backing?.product);
    if (main) return [{ job: backing ? job : mainAlone(job), own: [] }];
    if (!backing) return [];
    const alone = backingAlone(job);
    return [{ job: alone.job, own: [alone.piece] }];
  });
  return {
    jobs: asked.map(({ job }) => job),
    pieces: [...pieces.filter(({ product }) => mayLack(product)), ...asked.flatMap(({ own }) => own)],
    tailMm,
  };
}

/** All cuts, from those of scarce products and the places that demands have on ample ones. */
function withAmple(
  { jobs }: Stock,
  ample: ReadonlyMap<string, AmplePieces>,
  scarce: ReadonlySet<string>,
  cuts: readonly JobCut[],
): JobCut[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return jobs.flatMap((job) => {
    const name = [job.id, backingName(job.id)].find((id) => scarce.has(id));
    const cut = name === undefined ? undefined : cutOf.get(name);
    if (name !== undefined && !cut) return [];
    const mainMm = cut?.main.lengthMm ?? job.main.wantedMm;
    const mainOn = ample.get(job.main.product)?.get(job.id);
    const main = mainOn === undefined ? cut?.main : { piece: mainOn, lengthMm: mainMm };
    return main ? [{ job: job.id, main, backing: backingWithAmple(job, mainMm, ample, cut) }] : [];
  });
}

function backingWithAmple(
  job: CutJob,
  mainMm: number,
  ample: ReadonlyMap<string, AmplePieces>,
  cut: JobCut | undefined,
): readonly CutOff[] {
  const lengthMm = Math.round(backingFor(job, mainMm));
  if (!job.backing || lengthMm <= 0) return [];
  const places = ample.get(job.backing.product);
  if (!places) return cut?.backing ?? [];
  const piece = places.get(backingName(job.id));
  return piece === undefined ? [] : [{ piece, lengthMm }];
}

/** Jobs and pieces whose products are linked by some job, apart from all others. */
export function linkedGroups({ jobs, pieces, tailMm }: Stock): Stock[] {
  const leader = new Map<string, string>();
  const find = (product: string): string => {
    const next = leader.get(product) ?? product;
    return next === product ? product : find(next);
  };
  for (const { main, backing } of jobs) if (backing) leader.set(find(backing.product), find(main.product));
  const heads = [...new Set(jobs.map(({ main }) => find(main.product)))];
  return heads.map((head) => ({
    jobs: jobs.filter(({ main }) => find(main.product) === head),
    pieces: pieces.filter(({ product }) => find(product) === head),
    tailMm,
  }));
}
