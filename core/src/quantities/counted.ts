import { formatCount } from './format-quantity';

/** So many of something: "1 row", "1,200 rows". */
export const counted = (count: number, one: string, several = `${one}s`): string =>
  `${formatCount(count)} ${count === 1 ? one : several}`;
