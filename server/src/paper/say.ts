import type { PaperSize } from '@yard-spool/contract';
import { formatDiameter, formatQuantity, type UnitSystem } from '@yard-spool/core';
import { inZone } from '../shop/shop-day';

/** How the shop writes on paper: its units, its zone, its name. */
export interface House {
  readonly units: UnitSystem;
  /** Empty for the machine's own. */
  readonly zone: string;
  readonly shop: string;
  /** What is in the office printer. */
  readonly paper: PaperSize;
}

/** Figures and times in the words of whoever asked. */
export interface Say {
  readonly length: (metres: number) => string;
  readonly small: (millimetres: number) => string;
  readonly diameter: (millimetres: number) => string;
  readonly strength: (kilograms: number) => string;
  readonly day: (iso: string) => string;
  readonly moment: (iso: string) => string;
  readonly time: (iso: string) => string;
}

export function sayFor({ units, zone }: House): Say {
  return {
    length: (metres) => formatQuantity(metres, 'line-length', units).text,
    small: (millimetres) => formatQuantity(millimetres, 'small-length', units).text,
    diameter: (millimetres) => formatDiameter(millimetres, units).text,
    strength: (kilograms) => formatQuantity(kilograms, 'strength', units).text,
    day: (iso) => inZone(iso, zone).toFormat('d LLL yyyy'),
    moment: (iso) => inZone(iso, zone).toFormat('cccc d LLL, H:mm'),
    time: (iso) => inZone(iso, zone).toFormat('H:mm'),
  };
}
