/**
 * A level of a spool to fill up to: a share of the depth between bare arbor and lip, as it is seen, from the least to the
 * most that will do (the middle is aimed at); or mm below the lip.
 */
export type Level = { readonly share: readonly [least: number, most: number] } | { readonly depth: number };
