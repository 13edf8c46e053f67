/** A reel that waits to be walked, and how far its mark lies, m. */
export interface Waiting {
  readonly id: string;
  readonly match: number;
}

/** Reels carried out together: their lines clipped to one post, each read as its mark is passed. */
export interface Trip<T extends Waiting> {
  /** The nearest mark first, as they are passed. */
  readonly reels: readonly T[];
  /** There and back, m. */
  readonly distance: number;
}

/**
 * The order in which reels that wait are walked with the least walking, so many carried at once. Each trip is as long as its
 * farthest mark, there and back: the farthest marks go together.
 *
 * @param carried rods one person carries, at least one
 */
export function planOuting<T extends Waiting>(waiting: readonly T[], carried: number): Trip<T>[] {
  const size = Math.max(1, Math.floor(carried));
  const farthest = [...waiting].sort((a, b) => b.match - a.match || a.id.localeCompare(b.id));
  const trips: Trip<T>[] = [];
  for (let i = 0; i < farthest.length; i += size) {
    const reels = farthest.slice(i, i + size).reverse();
    trips.push({ reels, distance: 2 * (reels.at(-1)?.match ?? 0) });
  }
  return trips;
}
