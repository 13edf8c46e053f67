/**
 * What a reading of a reel can be, mm below the lip; below zero stands above it. One range for whoever reads, types, plans or
 * settles: what one of them takes, all of them take.
 */
export const DEPTH_RANGE = [-5, 80] as const;

/** What a gap can be, asked for or read, mm below the lip. */
export const GAP_RANGE = [-5, 60] as const;

/** How thick a wrap of tape is unless said, mm. From memory. */
export const USUAL_TAPE = 0.15;
