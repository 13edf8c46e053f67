const STEP = 1e-5;

export const dot = (a: readonly number[], b: readonly number[]): number => {
  let sum = 0;
  for (let i = 0; i < a.length; i += 1) sum += (a[i] ?? 0) * (b[i] ?? 0);
  return sum;
};

/**
 * Central differences: row per output, column per parameter.
 *
 * @param scale size of one usual step of each parameter; differences are taken over a small share of it
 */
export function jacobianOf(
  outputsOf: (vector: readonly number[]) => readonly number[],
  at: readonly number[],
  scale?: readonly number[],
): number[][] {
  const rows: number[][] = outputsOf(at).map(() => []);
  const vector = [...at];
  at.forEach((middle, column) => {
    const step = STEP * (scale?.[column] ?? 1);
    vector[column] = middle + step;
    const above = outputsOf(vector);
    vector[column] = middle - step;
    const below = outputsOf(vector);
    vector[column] = middle;
    rows.forEach((row, i) => row.push(((above[i] ?? 0) - (below[i] ?? 0)) / (2 * step)));
  });
  return rows;
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
