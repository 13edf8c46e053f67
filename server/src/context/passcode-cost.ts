/** What one passcode costs to try: CPU and memory, rounds, how often over. */
export interface ScryptCost {
  readonly N: number;
  readonly r: number;
  readonly p: number;
}

/** OWASP Password Storage Cheat Sheet: N = 2^15, r = 8, p = 3 is one of its five equal settings (32 MiB). */
export const TODAYS_COST: ScryptCost = { N: 32_768, r: 8, p: 3 };
