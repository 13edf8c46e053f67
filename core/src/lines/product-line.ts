import type { Line, Material } from './line';

/** Line that takes up next to no water is not soaked, whatever stands on its box. Hours. */
export const mayBeSoaked = (material: Material, soakHours: number | null | undefined): boolean =>
  material === 'nylon' || (soakHours ?? 0) === 0;

/** A line the shop keeps: its code, and what its maker says of it. */
export interface ProductOfLine {
  readonly code: string;
  readonly material: Material;
  /** mm */
  readonly diameter: number;
  readonly maker?: {
    readonly soakHours: number | null;
    readonly labelSide: NonNullable<Line['labelSide']> | null;
  };
}

/** A product as its line. */
export const lineOf = ({ code, material, diameter, maker }: ProductOfLine): Line => ({
  key: code,
  material,
  diameter,
  ...(maker?.soakHours === null || maker === undefined ? {} : { soakHours: maker.soakHours }),
  ...(maker?.labelSide ? { labelSide: maker.labelSide } : {}),
});
