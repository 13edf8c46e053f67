import { greedyCuts } from './greedy-cuts';
import { givesMain, type JobCut, type Stock } from './stock';

/** Cuts as a shop makes them that looks at one bag at a time: jobs as they come, each from the first piece by code that has enough. */
export function firstComeCuts({ jobs, pieces: all, tailMm }: Stock): JobCut[] {
  const pieces = all.filter(({ coming }) => coming !== true);
  const left = new Map(pieces.map(({ id, freeMm }) => [id, freeMm]));
  return jobs.flatMap((job) => {
    const there = pieces.map((piece) => ({ ...piece, freeMm: left.get(piece.id) ?? 0 }));
    const first = there.find((piece) => givesMain(piece, job) && piece.freeMm >= job.main.wantedMm);
    const of = first ? [first, ...there.filter(({ product }) => product !== job.main.product)] : there;
    const [cut] = greedyCuts({ jobs: [job], pieces: of, tailMm });
    if (!cut) return [];
    for (const { piece, lengthMm } of [cut.main, ...cut.backing])
      left.set(piece, Math.max(0, (left.get(piece) ?? 0) - lengthMm - tailMm));
    return [cut];
  });
}
