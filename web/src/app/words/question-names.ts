import type { HouseQuestion, ExceptionScope } from '@yard-spool/core';

/** What each question is about, in a word or two, in the order they are asked. */
export const QUESTION_NAMES: Readonly<Record<HouseQuestion, string>> = {
  level: 'Level',
  order: 'Order',
  arborGrip: 'Arbor grip',
  knots: 'Join',
  supply: 'Supply',
  label: 'Face up',
  judgeTwistBy: 'Twist',
  soak: 'Soak',
  tension: 'Tension',
  hands: 'Hands',
  guides: 'Guides',
  memoryRelief: 'Memory',
  washers: 'Lay',
  drag: 'Drag',
  service: 'Renewal',
};

/** Whom an exception was set for, as it is said where it acts. */
export const SCOPE_WORDS: Readonly<Record<ExceptionScope, string>> = {
  type: 'set for this type of reel',
  material: 'set for what its main line is made of',
  'material-on-type': 'set for such line on this type of reel',
  line: 'set for this line',
  customer: 'set for this customer',
  reel: 'set for this reel',
};
