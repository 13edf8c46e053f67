import type { Line } from '../lines/line';

/** What the codes of customers’ own lines and their pieces begin with; no code of the shop’s does. */
export const OWN_PREFIX = 'OWN-';

/** The code of a customer's own line: all of one material and diameter (mm) count as one. */
export const ownLineCode = ({ material, diameter: mm }: Pick<Line, 'material' | 'diameter'>): string =>
  `${OWN_PREFIX}${material.toUpperCase().slice(0, 6)}-${String(Math.round(mm * 1000)).padStart(4, '0')}`;
