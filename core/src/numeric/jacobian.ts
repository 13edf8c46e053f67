const STEP = 1e-5;

export const dot = (a: readonly number[], b: readonly number[]): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
};

/**
 * Slopes by central differences: row per output, column per parameter.
 *
 * @param scale size of one usual step of each parameter; differences are taken over a small share of it
 * @param there the outputs at the vector itself, for differences to one side: half the work, a little less exact
 */
export function jacobianOf(
  outputsOf: (vector: readonly number[]) => readonly number[],
  at: readonly number[],
  scale?: readonly number[],
  there?: readonly number[],
): number[][] {
  const vector = [...at];
  const columns = at.map((middle, column) => {
    const step = STEP * (scale?.[column] ?? 1);
    vector[column] = middle + step;
    const above = outputsOf(vector);
    vector[column] = middle - step;
    const below = there ?? outputsOf(vector);
    vector[column] = middle;
    const width = there ? step : 2 * step;
    return above.map((value, i) => (value - (below[i] ?? 0)) / width);
  });
  return (columns[0] ?? []).map((_, row) => columns.map((column) => column[row] ?? 0));
}

/** JᵀJ, exactly symmetric. */
export function normalMatrix(jacobian: readonly (readonly number[])[]): number[][] {
  const size = jacobian[0]?.length ?? 0;
  const normal = Array.from({ length: size }, () => new Array<number>(size).fill(0));
  for (const row of jacobian)
    for (let i = 0; i < size; i += 1) {
      const line = normal[i];
      const left = row[i] ?? 0;
      if (left === 0 || !line) continue;
      for (let j = 0; j <= i; j += 1) line[j] = (line[j] ?? 0) + left * (row[j] ?? 0);
    }
  return normal.map((line, i) => line.map((value, j) => (j <= i ? value : (normal[j]?.[i] ?? 0))));
}

/** Standard deviation of each output, by linear propagation of a covariance. */
export const propagate = (
  jacobian: readonly (readonly number[])[],
  covariance: readonly (readonly number[])[],
): number[] =>
  jacobian.map((row) =>
    Math.sqrt(
      Math.max(
        0,
        dot(
          row,
          covariance.map((line) => dot(line, row)),
        ),
      ),
    ),
  );
