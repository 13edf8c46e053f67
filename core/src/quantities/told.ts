/**
 * Figures as a sentence of the core has them: metric, with three decimals and more, so that `sayIn` rounds them once, for
 * the reader, as every other figure on the screen is rounded. A line's diameter has two, by which it is known.
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
export const plain = (value: number): string =>
  value
    .toFixed(6)
    .replace(/(\.\d{3}\d*?)0+$/, '$1')
    .replace(/^-(0\.0+)$/, '$1');
