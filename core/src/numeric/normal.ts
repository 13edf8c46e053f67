/** Standard normal quantile of 0.9: how far the ends of every likely range lie from its middle, in standard deviations. */
export const NINETIETH = 1.2815515655446004;

/**
 * Chance that a standard normal variable lies below z, to 7.5e-8.
 * Source: Abramowitz & Stegun, Handbook of Mathematical Functions (1964), formula 26.2.17.
 */
export function chanceBelow(z: number): number {
  if (z < 0) return 1 - chanceBelow(-z);
  const t = 1 / (1 + 0.2316419 * z);
  const series = [1.330274429, -1.821255978, 1.781477937, -0.356563782, 0.31938153];
  const sum = series.reduce((all, one) => (all + one) * t, 0);
  return 1 - (sum * Math.exp((-z * z) / 2)) / Math.sqrt(2 * Math.PI);
}
