import { bounded } from '../numeric/bounded';

/** Diameters a supply can have, mm. */
const DIAMETERS = [2, 2000] as const;

/** What a supply spool measures, mm, and what was and is on it, mm of line; null where nobody has measured. */
export interface SupplySpool {
  readonly flangeMm: number | null;
  readonly coreMm: number | null;
  readonly receivedMm: number;
  readonly lengthMm: number;
}

/** Flange and core of a spool nobody has measured, mm. From memory. */
const USUAL = { flange: 100, core: 55 } as const;

/**
 * Diameters line leaves a supply at, mm, from a full spool filled to its flange: equal areas for equal lengths.
 *
 * @param drawn metres that will have left by the end
 * @returns at the start and at the end, and whether they were measured
 */
export function supplySizes(
  { flangeMm, coreMm, receivedMm, lengthMm }: SupplySpool,
  drawn: number,
): { readonly diameters: readonly [number, number]; readonly measured: boolean } {
  const core = bounded(coreMm ?? USUAL.core, ...DIAMETERS);
  const flange = Math.max(core, bounded(flangeMm ?? USUAL.flange, ...DIAMETERS));
  const at = (metres: number): number => {
    const share = bounded((1000 * metres) / Math.max(1, receivedMm), 0, 1);
    return Math.sqrt(core ** 2 + share * (flange ** 2 - core ** 2));
  };
  const metres = lengthMm / 1000;
  return { diameters: [at(metres), at(metres - drawn)], measured: flangeMm !== null && coreMm !== null };
}
