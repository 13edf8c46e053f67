import { choice, check, quantity, shopLine } from './step-field';
import { says, type BenchStep } from './bench-step';

const IN_BIN = { key: 'to', is: 'bin' };
const ON_RACK = { key: 'to', is: 'rack' };

const STRIP = says(
  'Strip old line',
  'Tape the tag to a tube in a drill, start slow and guide the line; or two wrap sticks, or by hand. Then wipe and grease while it is apart.',
  'The spool while it is bare: cracks, rough lip, loose foot.',
  'strip',
  'spool-off',
);
const STRIP_DOWN = says(
  'Strip down to what stays',
  'Pull old line off until what stays on sits where it should, evenly across. Cut it back to sound line: the new line is joined to it.',
  'What stays on: no nicks, no chalky stretch, and it holds on the arbor.',
  'strip',
  'cut',
);

/** Off comes what is on it, down to what stays on; a spool whose line is turned end for end keeps it till then. */
export const strip: BenchStep = {
  when: ({ kept, turned }) => (turned ? 'never' : kept ? 'always' : 'optional'),
  words: (at) => (at.kept ? STRIP_DOWN : STRIP)(),
  fields: [
    choice('how', 'How', { drill: 'Drill and tube', sticks: 'Sticks', hand: 'By hand', over: 'Wound over' }),
    quantity('minutes', 'Minutes it took', 'count', [0, 240]),
    choice('to', 'Old line goes', {
      bin: 'Recycling',
      rack: 'Salvage',
      kept: 'Stays on',
      none: 'None on it',
    }),
    choice('material', 'Which bin', { nylon: 'Nylon', fluorocarbon: 'Fluoro', braid: 'Braid' }, IN_BIN),
    quantity('grams', 'Weighed, if it was', 'mass', [0, 5000], IN_BIN),
    check('tubeFull', 'That tube is full', IN_BIN),
    shopLine('line', 'Which line it is', ON_RACK),
    quantity('metres', 'How much of it', 'line-length', [1, 5000], ON_RACK),
  ],
  // Closing puts it there: what that needs is said here, where the line is in the hand.
  missing: ({ to, line, metres, material }) => {
    if (to === 'rack' && (line === undefined || metres === undefined))
      return 'For the rack, say which line it is and how much of it.';
    return to === 'bin' && material === undefined ? 'Say which bin it goes in.' : '';
  },
};
