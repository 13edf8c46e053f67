type Small = (millimetres: number) => string;

/** What is less than this is told as nothing, mm. */
const FLUSH = 0.05;

/** Where line stands: below the lip, flush with it, or proud of it. mm */
export const levelText = (depth: number, small: Small): string =>
  Math.abs(depth) < FLUSH
    ? 'flush with the lip'
    : depth < 0
      ? `${small(-depth)} proud of the lip`
      : `${small(depth)} below the lip`;

/** From one level to a deeper one; where that crosses the lip both ends say where they stand. mm */
export function rangeText(top: number, bottom: number, small: Small): string {
  if (top < 0 && bottom >= 0) return `${levelText(top, small)} to ${levelText(bottom, small)}`;
  return top < 0
    ? `${small(-bottom)} to ${small(-top)} proud of the lip`
    : `${small(top)} to ${small(bottom)} below the lip`;
}
