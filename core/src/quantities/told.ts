/**
 * Figures as a sentence of the core has them: metric, to three decimals, so that `sayIn` can round them once, for the
 * reader, as every other figure on the screen is rounded. A line's diameter has two, by which it is known.
 */
export const told = {
  /** Line, m. */
  length: (metres: number): string => `${plain(metres)} m`,
  /** A depth, gap, width or diameter of a spool, mm. */
  small: (millimetres: number): string => `${plain(millimetres)} mm`,
  /** A line's diameter, mm. */
  diameter: (millimetres: number): string => `${millimetres.toFixed(2)} mm`,
  /** A pull, kg. */
  pull: (kilograms: number): string => `${plain(kilograms)} kg`,
};

/** The figure of a range's beginning, whose unit is told at its end. */
export const plain = (value: number): string => value.toFixed(3).replace(/^-(0\.0+)$/, '$1');
