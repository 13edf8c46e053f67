/** A figure held within what it can be; the least where it is no number at all. */
export const bounded = (value: number, least: number, most: number): number =>
  value >= least ? Math.min(value, most) : least;

/** Whether a figure is a number within what it can be. */
export const isWithin = (value: number, least: number, most: number): boolean =>
  value >= least && value <= most;
