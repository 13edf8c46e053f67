import { levelWords } from '@yard-spool/core';

/** From one level to a deeper one; where that crosses the lip both ends say where they stand. mm */
export function rangeText(top: number, bottom: number, small: (millimetres: number) => string): string {
  if (top < 0 && bottom >= 0) return `${levelWords(top, small)} to ${levelWords(bottom, small)}`;
  return top < 0
    ? `${small(-bottom)} to ${small(-top)} proud of the lip`
    : `${small(top)} to ${small(bottom)} below the lip`;
}
