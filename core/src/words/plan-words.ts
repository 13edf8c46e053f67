/** What is said of a plan, of the gap it comes to, and of other ways to build it. */
export const PLAN_WORDS = {
  'plan.too-long': 'The {layer text} is {excess m} longer than fits below the gap.',
  'plan.too-long-by-figures':
    'By the figures the {layer text} is {excess m} longer than fits below the gap, which is less than is known of this spool. It likely comes out {gap mm} below the lip.',
  'plan.overlap-too-long':
    'A spliced overlap of {overlap m} is longer than the {least m} of line it lies in.',
  'plan.kept-below-arbor':
    'Old line kept at {depth mm} would lie below the bare arbor, which is at about {deepest mm}. Measure again from the lip.',
  'plan.reducer-inside-arbor':
    'A reducer of {reducer mm} lies inside the arbor, which is about {arbor mm}. Measure both across.',
  'plan.proud': 'This stands {proud mm} proud of the lip. Line will fall off in loops.',
  'plan.too-little': 'Only {total m} in all. A reel should hold at least {least m}.',
  'plan.within-a-cast':
    'Only {above m} lie above the join. Leave a cast and a half, {least m}, or the join meets the guides on a cast.',
  'plan.springy-backing':
    'Nylon of {diameter line} is springy under braid: the braid lies badly on it. Take thinner backing.',
  'plan.join-too-thick':
    'The join is about {thickness mm} thick and the line guide is {guide mm}. Choose thinner backing.',
  'plan.off-the-rule': 'It comes out {level words}, likely {range words}; the shop leaves {house mm}.',
  'plan.proud-once-wet':
    'Once it is wet it stands {range words}. Leave more room, or soak it before it is wound.',
  'plan.counted-too-much':
    'What was counted of {layer text} must be from {range m-range}, or from 0 to 300,000 turns of the spool.',
  'plan.with-casts': 'With casts of {cast m}: {what words} {why text}',

  'level.below': '{depth mm} below the lip',
  'level.proud': '{depth mm} proud of the lip',
  'level.from-below': '{depth mm-range} below the lip',
  'level.from-proud': '{depth mm-range} proud of the lip',
  'level.both': '{low words} to {high words}',

  'build.shorter-main':
    '{less m} of main less, still more than a cast and a half above the join: for a dear main or a short piece.',
  'build.main-only': 'No join to pass the guides, and {main m} to cut back from or to reverse later.',
  'build.piece-too-short': 'The {piece text} piece is {short m} too short for this.',
} as const;
