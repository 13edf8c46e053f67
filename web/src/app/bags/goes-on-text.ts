import type { BagRow } from '@yard-spool/contract';

/** What goes on a reel, in a row of a list: 120 m Moss braid 0.19 over 68 m Smoke nylon 0.25. */
export function goesOnText(
  { lines, counterOnly }: Pick<BagRow['jobs'][number], 'lines' | 'counterOnly'>,
  length: (metres: number) => string,
): string {
  if (counterOnly) return 'Its counter alone: the line stays on';
  return lines
    .map(
      ({ role, name, lengthMm }) =>
        `${length(lengthMm / 1000)} ${role === 'kept' ? 'of what is on it' : name}`,
    )
    .join(' over ');
}
