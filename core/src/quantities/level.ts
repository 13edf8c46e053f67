/**
 * A level of a spool to fill up to: a share of what lies between bare arbor and lip, from the least to the most that will
 * do (the middle is aimed at); or mm below the lip. A share is of the depth, as it is seen, unless it is said to be of the
 * length of line that fits there.
 */
export type Level =
  | { readonly share: readonly [least: number, most: number]; readonly of?: 'length' }
  | { readonly depth: number };
