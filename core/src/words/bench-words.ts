/** What is said at the bench and of a counter, where it holds a figure. */
export const BENCH_WORDS = {
  'depth.too-deep':
    '{read mm} is deeper than what lies below this layer, at {start mm}. Measure again from the lip.',
  'depth.too-proud': '{read mm} would stand more than {most mm} above the lip. Measure again from the lip.',
  'depth.unlikely':
    '{read mm} is far from the {expected mm} the count comes to. Measure once more, and look whether the count is right.',
  'depth.fits': '{read mm}, by the count {expected mm}.',

  'day.waits-for': 'It waits for {waits m} of {line text}, which is not in stock yet.',

  'look.lay-after': 'The lay after about {from m}.',

  'counter.match-range': 'A counter is matched at a length from {range m-range}.',
  'counter.walk-range': 'A walk goes to a mark from {range m-range}.',

  'step.splice':
    'Needle into the hollow braid, {inside m} of the other line inside, whip both ends with waxed thread, push the braid down over it.',
  'step.brake': 'Tighten until a {weight g} weight falls at about {fall m} a second.',
} as const;
