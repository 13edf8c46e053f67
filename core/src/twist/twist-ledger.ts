import { bounded } from '../numeric/bounded';

/** The sense of a rotation seen along the way the line travels; 0 where the spool itself turns. */
export type Sense = 1 | -1 | 0;

/** How line leaves the supply. */
export type SupplyWay =
  | { readonly kind: 'over-end'; readonly sense: 1 | -1; readonly diameter: number }
  /** On a spindle, on its edge in a tub, or walked out: no coil comes off over an end. */
  | { readonly kind: 'rolling' }
  /** A rig that turns a rolling supply bodily, with the rotor or against it. */
  | { readonly kind: 'rig'; readonly withRotor: boolean };

/** One moment of winding: where the line comes from, what turns, and how it will be cast. Diameters in mm. */
export interface TwistSetup {
  readonly supply: SupplyWay;
  readonly reel: {
    /** Sense in which the rotor moves round while winding; 0 where the spool turns (baitcaster, or a winder). */
    readonly sense: Sense;
    /** Diameter the line is wound on now. */
    readonly diameter: number;
  };
  /** Whether it is cast over the lip of a still spool, and the sense its coils come off in then. */
  readonly cast: { readonly overLip: true; readonly sense: 1 | -1 } | { readonly overLip: false };
  /** Share of rotor turns lost to a slipping drag. */
  readonly slip?: number;
}

/** Twist in turns per metre, positive left-handed along the travel. */
export interface Twist {
  /** As the line lies on the spool. */
  readonly onSpool: number;
  /** As it hangs after a cast. */
  readonly hanging: number;
}

/** Turns of twist one coil of this diameter puts into each metre. */
export const perMetre = (sense: number, diameter: number): number =>
  (1000 * sense) / (Math.PI * bounded(diameter, ...DIAMETERS));

/** Diameters line is ever wound on or drawn off, mm. */
const DIAMETERS = [2, 2000] as const;

/**
 * Keeps the account of twist. Line pulled over the end of a still spool gets one turn per coil, and so does line a rotor
 * lays on a still spool; a turning spool gives none. On the spool τ = (1000/π)(s_s/D_s − s_r/D_r). A cast over the lip
 * takes the reel's part out again; what a slipping drag added stays.
 *
 * Source: over-end withdrawal puts in one turn per coil (textile winding, from memory, title not known); confirmed by
 * following a ribbon's frame numerically in `reference/ribbon.test.ts`.
 */
export function twistLedger({ supply, reel, cast, slip = 0 }: TwistSetup): Twist {
  const rotor = perMetre(reel.sense, reel.diameter);
  const fromSupply = supplyTwist(supply, rotor);
  const slipped = -bounded(slip, 0, 1) * rotor;
  const onSpool = fromSupply - rotor + slipped;
  if (!cast.overLip) return { onSpool, hanging: onSpool };
  return { onSpool, hanging: onSpool + perMetre(cast.sense, reel.diameter) };
}

function supplyTwist(supply: SupplyWay, rotor: number): number {
  switch (supply.kind) {
    case 'over-end':
      return perMetre(supply.sense, supply.diameter);
    case 'rolling':
      return 0;
    case 'rig':
      return supply.withRotor ? rotor : -rotor;
  }
}
