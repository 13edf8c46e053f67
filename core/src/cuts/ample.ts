import { backingName } from './split-job';
import { backingFor, givesBacking, givesMain, matchOf, type Stock, type StockPiece } from './stock';

/** A piece for each demand on a product that has enough for all of them; a job's backing by the name it has for itself. */
export type AmplePieces = ReadonlyMap<string, string>;

interface Demand {
  readonly name: string;
  readonly mm: number;
  readonly fits: (piece: StockPiece) => boolean;
}

/**
 * Products that have enough for whatever their jobs may come to: all mains at what is wanted, all backing with the shortest
 * main that is accepted, each from one piece. No choice among jobs hangs on them, and each demand may become less where
 * it stands. The longest is put first, where it leaves least: what does not fit so is taken for not enough.
 *
 * @returns by product; one that may lack line is left out
 */
export function amplePieces(stock: Stock): ReadonlyMap<string, AmplePieces> {
  const found = new Map<string, AmplePieces>();
  const matched = new Set(stock.jobs.flatMap((job) => (matchOf(job) === null ? [] : [job.main.product])));
  for (const [product, demands] of demandsOf(stock)) {
    // Which lot a set is cut from is a choice.
    if (matched.has(product)) continue;
    const places = placesOf(product, demands, stock);
    if (places) found.set(product, places);
  }
  return found;
}

function demandsOf({ jobs }: Stock): ReadonlyMap<string, readonly Demand[]> {
  const demands = new Map<string, Demand[]>();
  const add = (product: string, demand: Demand): void => {
    demands.set(product, [...(demands.get(product) ?? []), demand]);
  };
  for (const job of jobs) {
    add(job.main.product, {
      name: job.id,
      mm: job.main.wantedMm,
      fits: (piece) => givesMain(piece, job),
    });
    const mm = backingFor(job, job.main.leastMm);
    if (job.backing && mm > 0)
      add(job.backing.product, {
        name: backingName(job.id),
        mm,
        fits: (piece) => givesBacking(piece, job),
      });
  }
  return demands;
}

function placesOf(
  product: string,
  demands: readonly Demand[],
  { pieces, tailMm }: Stock,
): AmplePieces | null {
  const left = pieces
    .filter((piece) => piece.product === product)
    .map((piece) => ({ piece, id: piece.id, mm: piece.freeMm, opened: piece.opened }));
  const places = new Map<string, string>();
  for (const { name, mm, fits } of [...demands].sort((a, b) => b.mm - a.mm)) {
    const [best] = left
      .filter((one) => one.mm >= mm && fits(one.piece))
      .sort(
        (a, b) =>
          Number(a.piece.coming ?? false) - Number(b.piece.coming ?? false) ||
          Number(b.opened) - Number(a.opened) ||
          a.mm - b.mm,
      );
    if (!best) return null;
    best.mm -= mm + tailMm;
    best.opened = true;
    places.set(name, best.id);
  }
  return places;
}
