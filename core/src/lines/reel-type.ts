/** What tells one type of reel from another wherever that matters. */
export interface ReelTraits {
  /**
   * Turns of spool or rotor to one of the handle, of an ordinary reel: what is taken where nobody read the gear, and said
   * to be taken. From memory.
   */
  readonly usualGear: number;
  /** A rotor winds round a spool that stands still; the others turn their spool. */
  readonly windsRound: boolean;
  /** It is cast: line leaves it in a rush, and what stands too high comes off in loops. */
  readonly cast: boolean;
  /** It has a bail, a spool that is lifted off and washers below it: what lies on it is seen from the side. */
  readonly openFace: boolean;
  /** It has a cover that line must not touch. */
  readonly closedFace: boolean;
  /** It counts the line that is let out, and its counter is matched to a tape. */
  readonly counter: boolean;
  /** Its line is wound as tight as it goes and never taken off to lose its memory. */
  readonly keepsMemory: boolean;
}

/** A new type is a new entry here; the compiler then asks for its mounting, its bedding in and its priors. */
const TYPES = {
  'fixed-spool': {
    usualGear: 5.2,
    windsRound: true,
    cast: true,
    openFace: true,
    closedFace: false,
    counter: false,
    keepsMemory: false,
  },
  baitcaster: {
    usualGear: 6.4,
    windsRound: false,
    cast: true,
    openFace: false,
    closedFace: false,
    counter: false,
    keepsMemory: false,
  },
  spincast: {
    usualGear: 4.1,
    windsRound: true,
    cast: true,
    openFace: false,
    closedFace: true,
    counter: false,
    keepsMemory: false,
  },
  trolling: {
    usualGear: 4.2,
    windsRound: false,
    cast: false,
    openFace: false,
    closedFace: false,
    counter: true,
    keepsMemory: false,
  },
  'big-game': {
    usualGear: 2.8,
    windsRound: false,
    cast: false,
    openFace: false,
    closedFace: false,
    counter: false,
    keepsMemory: true,
  },
} as const satisfies Readonly<Record<string, ReelTraits>>;

/** Types of reel that are filled in different ways. */
export type ReelType = keyof typeof TYPES;

export const REEL_TRAITS: Readonly<Record<ReelType, ReelTraits>> = TYPES;

/** In the order people choose from. */
export const REEL_TYPES = Object.keys(TYPES) as [ReelType, ...ReelType[]];

/** Turns to one of the handle of an ordinary reel of a type. */
export const usualGear = (type: ReelType): number => REEL_TRAITS[type].usualGear;
