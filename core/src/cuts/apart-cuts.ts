import { backingAlone, backingName, inFull, mainAlone } from './split-job';
import { backingFor, type CutJob, type JobCut, type Stock } from './stock';

/**
 * Jobs for which nobody can try all choices, as they were chosen: those that are served with the main they were given, the
 * others not at all. Their products are no longer linked by them.
 */
export function asChosen(stock: Stock, many: ReadonlySet<string>, cuts: readonly JobCut[]): Stock {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  const chosen = (job: CutJob): CutJob[] => {
    if (!many.has(job.id)) return [job];
    const cut = cutOf.get(job.id);
    if (!cut) return [];
    const { lengthMm } = cut.main;
    return [
      {
        ...job,
        main: { ...job.main, wantedMm: lengthMm, leastMm: lengthMm },
        backing: job.backing && { ...job.backing, lengthMm: backingFor(job, lengthMm), perMain: 0 },
      },
    ];
  };
  return { ...stock, jobs: stock.jobs.flatMap(chosen) };
}

/** Jobs that are served in full whatever is chosen ask their products one by one; the others stay as they are. */
export function apartOf({ jobs, pieces, tailMm }: Stock, inDoubt: ReadonlySet<string>): Stock {
  const parts = jobs.map((job) => {
    if (inDoubt.has(job.id) || inDoubt.has(backingName(job.id))) return { jobs: [job], own: [] };
    const full = inFull(job);
    if (backingFor(full, full.main.wantedMm) <= 0) return { jobs: [mainAlone(full)], own: [] };
    const alone = backingAlone(full);
    return { jobs: [mainAlone(full), alone.job], own: [alone.piece] };
  });
  return {
    jobs: parts.flatMap((one) => one.jobs),
    pieces: [...pieces, ...parts.flatMap(({ own }) => own)],
    tailMm,
  };
}

/** Whole cuts as the jobs of a group have them. */
export function cutsOf({ jobs, pieces }: Stock, cuts: readonly JobCut[]): JobCut[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  const own = new Set(pieces.map(({ id }) => id));
  const wholeOf = new Map(cuts.map((cut) => [backingName(cut.job), cut]));
  return jobs.flatMap((job) => {
    const cut = cutOf.get(job.id);
    if (cut) return [{ ...cut, backing: job.backing ? cut.backing : [] }];
    const whole = wholeOf.get(job.id);
    if (!whole || !own.has(job.id)) return [];
    return [{ ...whole, job: job.id, main: { piece: job.id, lengthMm: whole.main.lengthMm } }];
  });
}

/** Cuts of jobs whose main and backing were cut apart, as one. */
export function together({ jobs }: Stock, cuts: readonly JobCut[]): JobCut[] {
  const cutOf = new Map(cuts.map((cut) => [cut.job, cut]));
  return jobs.flatMap(({ id }) => {
    const cut = cutOf.get(id);
    return cut ? [{ ...cut, backing: cutOf.get(backingName(id))?.backing ?? cut.backing }] : [];
  });
}
