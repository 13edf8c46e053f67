/**
 * A minimum without slopes: the downhill simplex of J. A. Nelder and R. Mead (A simplex method for function minimization,
 * The Computer Journal 7, 1965), begun again from where it ended until that gains nothing. Slow, and nothing of it is
 * shared with the descent it is held against.
 */
export function simplexMinimum(
  costOf: (vector: readonly number[]) => number,
  start: readonly number[],
): { readonly vector: readonly number[]; readonly cost: number } {
  let best = { vector: start, cost: costOf(start) };
  for (let round = 0; round < 12; round += 1) {
    const next = shrinkTo(costOf, best.vector, round % 2 === 0 ? 0.7 : 0.05);
    const gained = best.cost - next.cost;
    if (next.cost < best.cost) best = next;
    if (round > 1 && gained < 1e-9 * (1 + best.cost)) break;
  }
  return best;
}

interface Corner {
  readonly vector: readonly number[];
  readonly cost: number;
}

function shrinkTo(
  costOf: (vector: readonly number[]) => number,
  start: readonly number[],
  size: number,
): Corner {
  const corner = (vector: readonly number[]): Corner => ({ vector, cost: costOf(vector) });
  const n = start.length;
  const corners = [
    corner(start),
    ...start.map((_, i) => corner(start.map((x, j) => (i === j ? x + size : x)))),
  ];
  for (let i = 0; i < 400 * n; i += 1) {
    corners.sort((a, b) => a.cost - b.cost);
    const low = corners[0];
    const worst = corners[n];
    const second = corners[n - 1];
    if (!low || !worst || !second || worst.cost - low.cost < 1e-13 * (1 + Math.abs(low.cost))) break;
    const middle = start.map(
      (_, j) => corners.slice(0, n).reduce((sum, { vector }) => sum + (vector[j] ?? 0), 0) / n,
    );
    const along = (by: number): Corner => corner(middle.map((m, j) => m + by * ((worst.vector[j] ?? 0) - m)));
    const mirrored = along(-1);
    if (mirrored.cost < low.cost) {
      const further = along(-2);
      corners[n] = further.cost < mirrored.cost ? further : mirrored;
    } else if (mirrored.cost < second.cost) corners[n] = mirrored;
    else {
      const nearer = mirrored.cost < worst.cost ? along(-0.5) : along(0.5);
      if (nearer.cost < Math.min(worst.cost, mirrored.cost)) corners[n] = nearer;
      else
        for (let k = 1; k <= n; k += 1) {
          const there = corners[k]?.vector ?? start;
          corners[k] = corner(low.vector.map((l, j) => l + 0.5 * ((there[j] ?? 0) - l)));
        }
    }
  }
  return corners.reduce((best, one) => (one.cost < best.cost ? one : best));
}
