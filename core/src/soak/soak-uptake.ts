import type { Material } from '../lines/line';
import { bounded } from '../numeric/bounded';

/** Water taken up, as a share of all the line can hold: the middle, and the range the diffusivity leaves. */
export interface Uptake {
  readonly share: number;
  readonly low: number;
  readonly high: number;
}

/** Mass of water saturated nylon 6 holds, as a share of its dry mass. From memory. */
export const SATURATION = { low: 0.09, high: 0.1 } as const;

/** Diffusivity of water in nylon at room temperature, m²/s. From memory, good to a factor of three. */
const DIFFUSIVITY = 2e-13;
const FACTOR = 3;
const SECONDS = 3600;

/**
 * Water a single strand has taken up after a soak, by diffusion into a cylinder. A wound pack is slower: the water has
 * to reach the inner turns first.
 *
 * Source: J. Crank, The Mathematics of Diffusion, 2nd edition, chapter 5.
 *
 * @param diameter mm
 * @param hours in water at room temperature
 * @returns shares of saturation; null for line that takes up next to none (fluorocarbon, polyethylene braid)
 */
export function soakUptake(diameter: number, hours: number, material: Material = 'nylon'): Uptake | null {
  if (material !== 'nylon') return null;
  const share = (diffusivity: number): number =>
    cylinderUptake(
      (diffusivity * bounded(hours, 0, MOST_HOURS) * SECONDS) / (bounded(diameter, ...DIAMETERS) / 2000) ** 2,
    );
  return { share: share(DIFFUSIVITY), low: share(DIFFUSIVITY / FACTOR), high: share(DIFFUSIVITY * FACTOR) };
}

/** Diameters line has, mm, and longer than any tub holds it, h. */
const DIAMETERS = [0.02, 5] as const;
const MOST_HOURS = 100_000;

/** Hours until a strand has taken up a share of what it can hold, at the middle diffusivity. */
export function soakHours(diameter: number, share: number): number {
  let low = 0;
  let high = 2;
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (cylinderUptake(middle) < share) low = middle;
    else high = middle;
  }
  return (high * (bounded(diameter, ...DIAMETERS) / 2000) ** 2) / DIFFUSIVITY / SECONDS;
}

/** First zeros of the Bessel function J0 (Abramowitz and Stegun, Handbook of Mathematical Functions, table 9.5). */
const TABULATED = [2.4048255577, 5.5200781103, 8.6537279129, 11.7915344391, 14.9309177086];
const TERMS = 40;
/** Below this the series converges slowly and the short-time form is better. */
const SHORT = 0.01;

/** McMahon's expansion of the n-th zero of J0 (same handbook, 9.5.12). */
function besselZero(n: number): number {
  const tabulated = TABULATED[n - 1];
  if (tabulated !== undefined) return tabulated;
  const b = 8 * (n - 0.25) * Math.PI;
  return b / 8 + 1 / b - 124 / (3 * b ** 3) + 120928 / (15 * b ** 5);
}

const ZEROS_SQUARED = Array.from({ length: TERMS }, (_, i) => besselZero(i + 1) ** 2);

/**
 * Fractional uptake of a long cylinder, M/M∞ = 1 − Σ (4/α²) e^(−α² T), T = D t/r²; below T = 0.01 the short-time form
 * 4√(T/π) − T − T√T/(3√π).
 */
export function cylinderUptake(time: number): number {
  if (!(time > 0)) return 0;
  if (time < SHORT)
    return Math.max(
      0,
      4 * Math.sqrt(time / Math.PI) - time - (time * Math.sqrt(time)) / (3 * Math.sqrt(Math.PI)),
    );
  return 1 - ZEROS_SQUARED.reduce((sum, zero) => sum + (4 / zero) * Math.exp(-zero * time), 0);
}
