/** A seeded source of numbers between 0 and 1 (mulberry32, public domain), so that a simulation repeats. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** Standard normal numbers from a uniform source (Box and Muller). */
export const normalFrom = (uniform: () => number): (() => number) => {
  return () => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
};

/** The value below which this share of the figures lies, by nearest rank. */
export function percentile(figures: readonly number[], share: number): number {
  const sorted = [...figures].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
}
