import type { FilledReel } from './filled-reel';

/** What brings a level back to where it is wanted. */
export interface LevelChange {
  readonly how: 'off' | 'on';
  readonly metres: number;
  /** Least and most it likely takes, by how well a depth is read. */
  readonly range: readonly [number, number];
  /** Turns of the handle, by how many the top layer took; 0 where nobody counted them. */
  readonly turns: number;
  /** What the line on top is called. */
  readonly name: string;
}

/** A depth is read so well, mm: one standard deviation of a calliper in a hand. From memory. */
const READ_SD = 0.15;

/**
 * Metres between a level and the wanted one, from how much of the line on top lies in a millimetre there: the top layer fills
 * its own rings, whatever the spool's width is.
 *
 * @param gap depth of the line now, mm
 * @returns null where it is as wanted, or nothing is on record of what lies on top
 */
export function levelChange(reel: FilledReel, gap: number): LevelChange | null {
  const top = reel.layers.at(-1);
  if (!top) return null;
  const rings = top.outerRadius ** 2 - top.innerRadius ** 2;
  if (rings <= 0 || top.length <= 0) return null;
  const metres = (from: number): number => {
    const now = reel.lip - from;
    const then = reel.lip - reel.wanted;
    return (top.length * (now ** 2 - then ** 2)) / rings;
  };
  const middle = metres(gap);
  const how = middle > 0 ? 'off' : 'on';
  const size = Math.abs(middle);
  if (size < 0.5) return null;
  const sides = [Math.abs(metres(gap - 2 * READ_SD)), Math.abs(metres(gap + 2 * READ_SD))];
  // Turns nearer the lip take more line than the layer's middle ones.
  const middleRadius = (top.innerRadius + top.outerRadius) / 2;
  const here = reel.lip - (gap + reel.wanted) / 2;
  return {
    how,
    metres: size,
    range: [Math.min(...sides), Math.max(...sides)],
    turns: Math.round(((size * top.handleTurns) / top.length) * (middleRadius / here)),
    name: top.name,
  };
}
