import type { CutJob, Stock, StockPiece } from '../cuts/stock';
import { seeded } from '../numeric/random';

/** Lengths of a small case are multiples of this, mm: then so are those of the best there is. */
export const GRID_MM = 5000;

const pick = (random: () => number, from: number, to: number): number =>
  GRID_MM * (from + Math.floor(random() * (to - from + 1)));

/** A small case of mains and backing of like diameters, all on one grid, from a seed. */
export function smallStock(seed: number): Stock {
  const random = seeded(seed);
  const products = ['A', 'B'];
  const pieces = Array.from({ length: 2 + Math.floor(random() * 3) }, (_, i): StockPiece => {
    const opened = random() < 0.6;
    return {
      id: `P-${String(i)}`,
      product: products[Math.floor(random() * 2)] ?? 'A',
      freeMm: pick(random, 5, 36),
      opened,
      openedAt: opened ? Math.floor(random() * 3) : null,
      usableMm: 20_000,
      backingOnly: random() < 0.1,
      wet: random() < 0.1,
      ...(random() < 0.5 ? { lot: random() < 0.5 ? 'one' : 'two' } : {}),
      ...(random() < 0.1 ? { readyAt: 2 } : {}),
      ...(!opened && random() < 0.2 ? { coming: true } : {}),
    };
  });
  const jobs = Array.from({ length: 1 + Math.floor(random() * 3) }, (_, i): CutJob => {
    const wantedMm = pick(random, 6, 14);
    const shorter = random() < 0.5 ? GRID_MM * Math.floor(random() * 3) : 0;
    const backing = random() < 0.6 && {
      product: products[Math.floor(random() * 2)] ?? 'B',
      lengthMm: pick(random, 0, 10),
      perMain: 1,
      onePiece: random() < 0.3,
    };
    const only = random() < 0.1 ? { only: 'P-1' } : random() < 0.3 ? { booked: 'P-1' } : {};
    return {
      id: `J-${String(i)}`,
      main: {
        product: products[Math.floor(random() * 2)] ?? 'A',
        wantedMm,
        leastMm: wantedMm - shorter,
        ...only,
      },
      backing: backing
        ? { ...backing, ...(random() < 0.1 ? { only: 'P-0' } : random() < 0.3 ? { booked: 'P-0' } : {}) }
        : null,
      ...(random() < 0.3 ? { due: 1 } : {}),
      ...(random() < 0.4 ? { match: 'set' } : {}),
    };
  });
  return { jobs, pieces, tailMm: random() < 0.5 ? 0 : GRID_MM };
}

/** A rack and its open bags: ten products or fewer, backings shared by many, as a shop has them. */
export function rackDay(seed: number, jobs: number, pieces: number, products: number): Stock {
  const random = seeded(seed);
  const nth = (i: number): string => `P${String(i).padStart(2, '0')}`;
  const some = (from: number, to: number): number => Math.round(1000 * (from + random() * (to - from)));
  const backings = Math.max(1, Math.floor(products / 4));
  return {
    tailMm: 2000,
    pieces: Array.from({ length: pieces }, (_, i): StockPiece => {
      const opened = random() < 0.6;
      const bulk = random() < 0.4;
      return {
        id: `L-${String(i).padStart(3, '0')}`,
        product: nth(i % products),
        freeMm: opened ? some(20, bulk ? 1500 : 260) : bulk ? 1_500_000 : 300_000,
        opened,
        openedAt: opened ? Math.floor(random() * 60) : null,
        usableMm: 20_000,
      };
    }),
    jobs: Array.from({ length: jobs }, (_, i): CutJob => {
      const wantedMm = some(80, 220);
      return {
        id: `J-${String(i).padStart(3, '0')}`,
        main: {
          product: nth(Math.floor(random() * (products - backings)) + backings),
          wantedMm,
          leastMm: random() < 0.6 ? Math.round(0.8 * wantedMm) : wantedMm,
        },
        backing:
          random() < 0.7
            ? {
                product: nth(Math.floor(random() * backings)),
                lengthMm: some(0, 90),
                perMain: 0.6 + random(),
                onePiece: random() < 0.3,
              }
            : null,
      };
    }),
  };
}

/** The same bags on a rack that was filled for them: of all but some products there is a fifth more than they need. */
export function filledRackDay(seed: number, jobs: number, pieces: number, products: number): Stock {
  const day = rackDay(seed, jobs, pieces, products);
  const need = new Map<string, number>();
  const add = (product: string, mm: number): void => {
    need.set(product, (need.get(product) ?? 0) + mm);
  };
  for (const { main, backing } of day.jobs) {
    add(main.product, main.wantedMm + day.tailMm);
    if (backing) add(backing.product, backing.lengthMm + day.tailMm);
  }
  const bulk = new Map<string, number>();
  const isBulk = ({ freeMm }: StockPiece): boolean => freeMm >= 300_000;
  for (const piece of day.pieces.filter(isBulk)) bulk.set(piece.product, (bulk.get(piece.product) ?? 0) + 1);
  return {
    ...day,
    pieces: day.pieces.map((piece) => {
      const share = (1.2 * (need.get(piece.product) ?? 0)) / (bulk.get(piece.product) ?? 1);
      return isBulk(piece) ? { ...piece, freeMm: Math.max(piece.freeMm, Math.round(share)) } : piece;
    }),
  };
}
