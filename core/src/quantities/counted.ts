import { formatCount } from './format-quantity';

/** So many of something: "1 row", "1,200 rows". */
export const counted = (count: number, one: string): string =>
  `${formatCount(count)} ${one}${count === 1 ? '' : 's'}`;
