/** One pack that is on its way. */
export interface ComingPack {
  readonly product: string;
  readonly lengthMm: number;
  /** When it is there, in any unit of time. */
  readonly readyAt: number;
}

/** One unbroken length that nothing on the rack has. */
export interface Lacking {
  readonly id: string;
  readonly product: string;
  readonly lengthMm: number;
  /** When it is promised, in the same unit. */
  readonly due: number;
}

/**
 * Which lengths the packs that are on their way hold, and when: those promised soonest first, each off the pack that comes
 * first and still has enough.
 */
export function shareComing<Pack extends ComingPack>(
  lacking: readonly Lacking[],
  packs: readonly Pack[],
  tailMm: number,
): ReadonlyMap<string, Pack> {
  const left = [...packs].sort((a, b) => a.readyAt - b.readyAt).map((pack) => ({ pack, mm: pack.lengthMm }));
  const shared = new Map<string, Pack>();
  for (const { id, product, lengthMm } of [...lacking].sort((a, b) => a.due - b.due)) {
    const first = left.find(({ pack, mm }) => pack.product === product && mm >= lengthMm);
    if (!first) continue;
    first.mm -= lengthMm + tailMm;
    shared.set(id, first.pack);
  }
  return shared;
}
