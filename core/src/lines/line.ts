/** What a line is made of, as far as winding, soaking and knotting are concerned. */
export type Material = 'nylon' | 'fluorocarbon' | 'braid' | 'hollow-braid';

/** The materials in the order a list shows them. */
export const MATERIALS: readonly Material[] = ['nylon', 'fluorocarbon', 'braid', 'hollow-braid'];

/** A line as the model sees it. */
export interface Line {
  /** Tells this line from another: two layers with one key share one bulk. */
  readonly key: string;
  readonly material: Material;
  /** Nominal diameter, mm. */
  readonly diameter: number;
  /** Hours its maker says to soak it, none among them; left out where nothing is said. */
  readonly soakHours?: number;
  /** Which face of its spool its maker says to lay up; left out where nothing is said. */
  readonly labelSide?: 'up' | 'down';
}

/** Braid of either kind: slips on a bare arbor, takes up next to no water, carries air in its diameter. */
export const isBraid = (material: Material): boolean => material === 'braid' || material === 'hollow-braid';

/** Area of the nominal cross-section, mm². */
export const lineArea = (diameter: number): number => (Math.PI * diameter * diameter) / 4;

/** Wound space one length of line takes, e = A κ / φ, mm² (mm³ of spool per mm of line). */
export const woundArea = (diameter: number, bulk: number, packing: number): number =>
  (lineArea(diameter) * bulk) / packing;
