import { cutModel, type CutModel } from './cut-model';
import { leastOpened } from './least-opened';
import type { Linear, MixedProgram } from './linear';
import { scoreCuts, type CutLevel, type Ranks } from './score-cuts';
import type { JobCut, Stock } from './stock';
import { swapCuts } from './swap-cuts';

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

/** How far one level may be from the best there is, in the level's own unit: a number of jobs or pieces, m. */
export interface LevelGap {
  readonly level: CutLevel;
  readonly gap: number;
}

/** Levels are the same to within this, m or pieces: a solver’s own tolerance. */
const SAME = 1e-5;

/** Cuts of some jobs that are made as good as can be level by level, each held before the next. */
export class LevelCuts {
  /** The levels that are not proven. */
  readonly open: LevelGap[] = [];
  private model: CutModel | null = null;
  private values: ArrayLike<number> = [];
  /** What the level that is not settled yet came to. */
  private found: { readonly most: number; readonly gap: number } | null = null;
  /** What levels are held to before there is a model; null for as they are to begin with. */
  private readonly held: { readonly level: CutLevel; readonly most: number | null }[] = [];

  /** @param cuts that can be made, to begin with; then the best that were found */
  constructor(
    readonly stock: Stock,
    public cuts: readonly JobCut[],
    private readonly ranks: Ranks,
  ) {}

  /** Other cuts to begin with: before any level is improved. */
  begin(cuts: readonly JobCut[]): void {
    this.cuts = cuts;
  }

  /** A level that gets no worse than it is to begin with: before any is improved. */
  hold(level: CutLevel): void {
    this.held.push({ level, most: null });
  }

  /**
   * A level as small as can be found in so much time, ms. It may be asked again, with more time, until it is settled.
   *
   * @returns whether nothing better exists
   */
  improve(level: CutLevel, solve: Solve, withinMs: number): boolean {
    if (this.open.some(({ gap }) => gap === Infinity)) return true;
    const now = scoreCuts(this.stock, this.cuts, this.ranks)[level];
    // What is at the least it can be needs no solver to say so.
    if (now <= this.leastOf(level)) {
      this.found = { most: level === 'unserved' ? -this.stock.jobs.length : now, gap: 0 };
      return true;
    }
    const { program, levels, read } = this.modelNow();
    const { status, objective, bound, values } = solve(program, levels[level], withinMs, this.values);
    const least = sumOf(levels[level], this.values);
    if (status === 'none') {
      this.found = { most: least, gap: this.found?.gap ?? Infinity };
      return false;
    }
    // Asked again in less time than it took before, it may come to something worse.
    if (objective <= least) {
      this.values = values;
      this.cuts = read((column) => values[column] ?? 0);
    }
    const most = Math.min(least, objective);
    this.found = { most, gap: status === 'proven' ? 0 : Math.max(0, most - bound) };
    return status === 'proven';
  }

  /** Holds a level to what was found, before the next. */
  settle(level: CutLevel): void {
    if (!this.found) return;
    const { most, gap } = this.found;
    this.found = null;
    if (gap > 0) this.open.push({ level, gap });
    this.keep(level, most);
    this.swap();
  }

  /** What is better by a swap need not be looked for by a solver; what is held stays as it is. */
  swap(): void {
    this.cuts = swapCuts(this.stock, this.cuts, this.ranks);
    if (this.model) this.values = this.model.write(this.cuts);
  }

  private leastOf(level: CutLevel): number {
    return level === 'opened' ? leastOpened(this.stock, this.cuts.length) : 0;
  }

  /** Made once something is to be solved: most groups are as good as can be without. */
  private modelNow(): CutModel {
    if (this.model) return this.model;
    const model = cutModel(this.stock, this.ranks);
    const values = model.write(this.cuts);
    for (const { level, most } of this.held) bound(model, level, most ?? sumOf(model.levels[level], values));
    this.model = model;
    this.values = values;
    return model;
  }

  private keep(level: CutLevel, most: number): void {
    if (this.model) bound(this.model, level, most);
    else this.held.push({ level, most });
  }
}

const bound = ({ program, levels }: CutModel, level: CutLevel, most: number): void => {
  program.keep(levels[level], { most: most + SAME });
};

const sumOf = (sum: Linear, values: ArrayLike<number>): number =>
  sum.reduce((all, [factor, column]) => all + factor * (values[column] ?? 0), 0);
