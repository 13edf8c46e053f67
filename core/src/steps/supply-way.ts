/** Ways line comes to the reel. */
export const SUPPLY_WAYS = [
  'over-end',
  'rolling',
  'rig',
  'winder',
  'drag-reel',
  'walked-out',
  'reverse',
] as const;
export type SupplyWayAtBench = (typeof SUPPLY_WAYS)[number];
