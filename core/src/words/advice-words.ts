/** What is advised, where the advice holds a figure. */
export const ADVICE_WORDS = {
  'gap.bevel': 'Fill to the bottom of the bevel, {gap mm}.',
  'gap.leave': 'Leave {gap mm}.',
  'gap.three-quarters': 'Leave about {gap mm}; three quarters full will do.',
  'gap.by-thumb':
    'Leave about {gap mm} and go by the thumb: up to the end of the flat below the rim, and no metal felt.',
  'gap.by-line': 'Leave {gap mm} below the lip for line this thick.',
  'gap.start-low': 'Stop at {gap mm}, cast it, and add line while it casts well.',
  'gap.rule-by-line': 'A gap by the line: {thin mm} for thin, {thick mm} for thick',

  'drag.set': 'Set the drag to {drag kg} against a straight pull; people use {usual kg-range}.',

  'soak.hours':
    '{hours count} h in water: a strand of {diameter line} takes up {low count} to {high count} % of what it can, a wound pack less. Nine tenths take about {most count} h.',

  'reverse.lengths': '{fresh m} at the inner end have not been used, against {worn m} that have',
  'reverse.only': 'Renew it when it is due: only {lengths words}.',
  'reverse.due': 'Reverse it: {lengths words}.',
  'reverse.not-due': 'Not due yet. It can be reversed when it is: {lengths words}.',

  'knot.splice': 'Splice {inside m} into the hollow braid and whip both ends with waxed thread.',

  'grip.tape-and-nylon':
    'First {wraps count} wraps of tape, then {nylon m} of nylon, or the whole coil turns on the arbor.',
  'grip.nylon': 'First {nylon m} of nylon, or the whole coil turns on the arbor.',

  'lay.look-and-correct':
    'Look at the lay about every {every m}, rear and front, and correct a taper with a washer.',
  'lay.look-and-write':
    'Look at the lay about every {every m} and write it down; washers wait until it was fished.',
  'lay.add-washer': '{seen text} Add a washer under the spool, then look again after about {after m}.',
  'lay.take-washer-out':
    '{seen text} Take a washer out from under the spool, then look again after about {after m}.',
} as const;
