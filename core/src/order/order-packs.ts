import { MixedProgram } from '../cuts/linear';
import type { Solve } from '../cuts/level-cuts';

/** A size a line is sold in, and what one of it costs, in the hundredth part of the shop's money. */
export interface PackSize {
  readonly lengthMm: number;
  readonly minor: number;
}

/** How many of each size, those of none left out. */
export interface PacksToOrder {
  readonly packs: readonly (PackSize & { readonly count: number })[];
  readonly minor: number;
}

/** More than this of one size nobody orders. */
const MOST = 200;

/**
 * The cheapest packs that hold what is needed, one of them at least as long as the longest unbroken length.
 *
 * @param neededMm all of them together
 * @param longestMm 0 where any length will do
 * @returns null where nothing is needed, or no such packs are sold
 */
export function orderPacks(
  sizes: readonly PackSize[],
  { neededMm, longestMm }: { readonly neededMm: number; readonly longestMm: number },
  solve: Solve,
  withinMs: number,
): PacksToOrder | null {
  if (neededMm <= 0 && longestMm <= 0) return null;
  const sold = sizes.filter(({ lengthMm, minor }) => lengthMm > 0 && minor > 0);
  const longest = sold.filter(({ lengthMm }) => lengthMm >= longestMm);
  if (longest.length === 0) return null;
  const program = new MixedProgram();
  const counts = sold.map((size) => ({ size, count: program.count(MOST) }));
  program.keep(
    counts.map(({ size, count }) => [size.lengthMm / 1000, count]),
    { least: neededMm / 1000 },
  );
  if (longestMm > 0)
    program.keep(
      counts.filter(({ size }) => longest.includes(size)).map(({ count }) => [1, count]),
      { least: 1 },
    );
  const start = new Float64Array(program.columns.length);
  const [largest] = [...counts].sort((a, b) => b.size.lengthMm - a.size.lengthMm);
  if (largest) start[largest.count] = Math.max(1, Math.ceil(neededMm / largest.size.lengthMm));
  const cost = counts.map(({ size, count }) => [size.minor, count] as const);
  const { status, values } = solve(program, cost, withinMs, start);
  if (status === 'none') return null;
  const packs = counts
    .map(({ size, count }) => ({ ...size, count: Math.round(values[count] ?? 0) }))
    .filter(({ count }) => count > 0);
  return { packs, minor: packs.reduce((all, { minor, count }) => all + minor * count, 0) };
}
