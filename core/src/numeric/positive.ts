/** Sum of the products of the first n figures of two rows. */
function dotTo(a: readonly number[], b: readonly number[], n: number): number {
  let sum = 0;
  for (let k = 0; k < n; k += 1) sum += (a[k] ?? 0) * (b[k] ?? 0);
  return sum;
}

/**
 * The lower triangle of a positive definite matrix (Cholesky), row by row. For the matrices of a handful of unknowns that
 * a fit meets thousands of times: on plain rows it takes a tenth of what a general matrix class does.
 *
 * @param damping added to the diagonal
 * @returns null where the matrix is not positive definite, or holds what is no number
 */
export function factorise(matrix: readonly (readonly number[])[], damping = 0): number[][] | null {
  const lower: number[][] = [];
  for (const [i, line] of matrix.entries()) {
    const row: number[] = [];
    for (const [j, other] of lower.entries())
      row.push(((line[j] ?? 0) - dotTo(row, other, j)) / (other[j] ?? 1));
    const left = (line[i] ?? 0) + damping - dotTo(row, row, i);
    if (!(left > 0 && left < Infinity)) return null;
    row.push(Math.sqrt(left));
    lower.push(row);
  }
  return lower;
}

/** x of L Lᵀ x = b, by going down the triangle and up again. */
export function solveFactorised(lower: readonly (readonly number[])[], right: readonly number[]): number[] {
  const x = [...right];
  lower.forEach((row, i) => {
    x[i] = ((x[i] ?? 0) - dotTo(row, x, i)) / (row[i] ?? 1);
  });
  for (const [i, row] of [...lower.entries()].reverse()) {
    const solved = (x[i] ?? 0) / (row[i] ?? 1);
    x[i] = solved;
    // Each figure solved is taken out of those above it.
    for (let k = 0; k < i; k += 1) x[k] = (x[k] ?? 0) - (row[k] ?? 0) * solved;
  }
  return x;
}

/** ln of a positive definite matrix's determinant; infinity where it is none. */
export function logDeterminant(matrix: readonly (readonly number[])[]): number {
  const lower = factorise(matrix);
  return lower ? 2 * lower.reduce((sum, row) => sum + Math.log(row.at(-1) ?? 1), 0) : Infinity;
}

/** The inverse of a positive definite matrix, exactly symmetric; null where it is none. */
export function invertPositive(matrix: readonly (readonly number[])[]): number[][] | null {
  const lower = factorise(matrix);
  if (!lower) return null;
  const columns = matrix.map((_, i) =>
    solveFactorised(
      lower,
      matrix.map((__, j) => (i === j ? 1 : 0)),
    ),
  );
  return columns.map((row, i) => row.map((value, j) => (value + (columns[j]?.[i] ?? 0)) / 2));
}
