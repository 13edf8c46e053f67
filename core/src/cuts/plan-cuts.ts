import { cutModel, type CutModel } from './cut-model';
import { greedyCuts } from './greedy-cuts';
import type { Linear, MixedProgram } from './linear';
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
import type { JobCut, Stock } from './stock';

/** What a solver found. */
export interface Solved {
  /** Whether nothing better exists, something was found in the time there was, or nothing. */
  readonly status: 'proven' | 'found' | 'none';
  readonly objective: number;
  /** The least it could be, as far as is known; the objective where it is proven. */
  readonly bound: number;
  /** What each variable came to, by its column. */
  readonly values: ArrayLike<number>;
}

/**
 * Solves a mixed-integer program, as small as its objective can be.
 *
 * @param withinMs the longest it may take
 * @param start what the variables may begin with: it keeps all bounds
 */
export type Solve = (
  program: Pick<MixedProgram, 'columns' | 'rows'>,
  objective: Linear,
  withinMs: number,
  start: ArrayLike<number>,
) => Solved;

/** How long something may take, and a clock to hold it to, ms. */
export interface Time {
  readonly withinMs: number;
  readonly now: () => number;
}

/** What one level came to, and how far it may be from the best there is, in the level's own unit. */
export interface LevelGap {
  readonly level: CutLevel;
  readonly gap: number;
}

/** Which job is fed from which piece. */
export interface CutPlan {
  readonly cuts: readonly JobCut[];
  readonly score: CutScore;
  /** The first level that is not proven, with those before it at 0; empty where all are. */
  readonly open: readonly LevelGap[];
}

/** Levels are the same to within this, m or pieces: a solver’s own tolerance. */
const SAME = 1e-5;

/**
 * Cuts by strict levels, each solved and then fixed before the next: jobs not served, main below what is wanted, sealed
 * pieces opened, scrap, oldest opened first, codes. Products that no job links are solved apart. Where a solver finds
 * nothing in its time the greedy cuts stand.
 *
 * @param time the longest all of it may take, and a clock to hold it to, ms
 */
export function planCuts(stock: Stock, solve: Solve, { withinMs, now }: Time): CutPlan {
  const groups = linkedGroups(stock);
  const each = withinMs / Math.max(1, groups.length);
  const ranks = ranksOf(stock.pieces);
  const plans = groups.map((group) => planGroup(group, ranks, solve, { withinMs: each, now }));
  const cuts = plans.flatMap((plan) => plan.cuts);
  const open = CUT_LEVELS.map((level) => ({
    level,
    gap: plans
      .flatMap((plan) => plan.open)
      .reduce((all, one) => all + (one.level === level ? one.gap : 0), 0),
  }));
  return { cuts, score: scoreCuts(stock, cuts), open: open.filter(({ gap }) => gap > 0) };
}

function planGroup(stock: Stock, ranks: Ranks, solve: Solve, { withinMs, now }: Time): CutPlan {
  const greedy = greedyCuts(stock);
  const model = cutModel(stock, ranks);
  const open: LevelGap[] = [];
  let best: readonly JobCut[] | null = null;
  let start: ArrayLike<number> = model.write(greedy);
  const until = now() + withinMs;
  for (const [i, level] of CUT_LEVELS.entries()) {
    const sum = model.levels[level];
    const found = solve(model.program, sum, (until - now()) / (CUT_LEVELS.length - i), start);
    if (found.status === 'none') {
      open.push({ level, gap: Infinity });
      break;
    }
    start = found.values;
    best = model.read((column) => found.values[column] ?? 0);
    if (found.status === 'found') open.push({ level, gap: Math.max(0, found.objective - found.bound) });
    fix(model, sum, found.objective);
  }
  const scoreOf = (cuts: readonly JobCut[]): CutScore => scoreCuts(stock, cuts, ranks);
  if (best && faultsOfCuts(stock, best).length === 0 && compareCuts(scoreOf(best), scoreOf(greedy)) <= 0)
    return { cuts: best, score: scoreOf(best), open };
  // What a solver says cannot be cut is nobody's plan, and proves nothing of the one that stands.
  return { cuts: greedy, score: scoreOf(greedy), open: [{ level: CUT_LEVELS[0], gap: Infinity }] };
}

const fix = ({ program }: CutModel, sum: Linear, value: number): void =>
  program.keep(sum, { most: value + SAME });

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
