import type { Product } from '@yard-spool/contract';
import { formatDiameter, formatQuantity, type UnitSystem } from '@yard-spool/core';

const SYSTEMS: readonly UnitSystem[] = ['metric', 'imperial', 'thousandths'];

/** Words a line is found by beside its name: its code, what it is made of, how thick and strong it is, in whichever units. */
export const lineFinds = ({ code, material, diameter, strengthKg }: Omit<Product, 'id'>): string =>
  [
    code,
    material.replace('-', ' '),
    ...SYSTEMS.map((units) => formatDiameter(diameter, units).text),
    ...(strengthKg === null
      ? []
      : SYSTEMS.map((units) => formatQuantity(strengthKg, 'strength', units).text)),
  ].join(' ');

/** A line where one is chosen. */
export const lineOption = (line: Product) => ({
  value: String(line.id),
  name: `${line.name} · ${line.code}`,
  find: lineFinds(line),
});
