/** One figure of the benchmark beside the limit it must keep. */
export function report(what: string, value: number, unit: string, limit?: number): void {
  const beside =
    limit === undefined ? '' : `   limit ${limit} ${unit}   ${value <= limit ? 'kept' : 'NOT KEPT'}`;
  process.stdout.write(`  ${what.padEnd(58)} ${value.toPrecision(3).padStart(9)} ${unit}${beside}\n`);
}

/** Median time of one call, ms, after warming up. */
export function medianMs(work: () => unknown, rounds = 41, each = 50): number {
  for (let i = 0; i < 3 * each; i += 1) work();
  const times = Array.from({ length: rounds }, () => {
    const begin = performance.now();
    for (let i = 0; i < each; i += 1) work();
    return (performance.now() - begin) / each;
  });
  return times.sort((a, b) => a - b)[rounds >> 1] ?? NaN;
}
