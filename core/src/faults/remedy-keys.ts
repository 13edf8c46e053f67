import type { FaultCause } from './causes';

/** What is done about a cause. Several causes can have one remedy. */
const REMEDIES = {
  'too-full': 'take-off',
  swollen: 'take-off',
  'not-full': 'top-up',
  'line-lost': 'top-up',
  'twist-put-on': 'walk-out',
  'twist-in-use': 'walk-out',
  coils: 'relax',
  worn: 'refill',
  'no-grip': 'grip',
  drag: 'service',
  loose: 'wind-again',
  buried: 'pull-out',
  'soft-backing': 'other-backing',
  lay: 'washer',
  brake: 'set-brake',
  lighter: 'set-brake',
  join: 'longer-main',
  rings: 'rod-maker',
  knot: 'tie-again',
  'weak-lot': 'check-lot',
  overloaded: 'less-drag',
  'counter-level': 'counter-table',
  'counter-read': 'walk-again',
} as const satisfies Readonly<Record<FaultCause, string>>;

export type RemedyKey = (typeof REMEDIES)[FaultCause];

export const remedyKeyOf = (cause: FaultCause): RemedyKey => REMEDIES[cause];
