/** What a counter is asked about, and its answers. */
export const COUNT_WORDS = {
  'count.metres': '{line m}',
  'count.jumped': '{device text} jumped by {went words} at once.',
  'count.since-jump': 'Count none of the jump, but the {since words} since',
  'count.were-wound': 'They were wound: count {went words}',
  'count.went-back': '{device text} went back by {back words}: it seems to have begun again from zero.',
  'count.since': 'It began again: count the {stands words} since',
  'count.wound-back': '{back words} were wound back off',
  'count.went-on': 'Counting resumed: count {went words}',
  'count.unheard-by-hand':
    '{device text} counted {moved words} while it could not be heard; {byHand count} turns were counted by hand.',
  'count.take': 'Take the counter’s {moved words}',
  'count.unheard': '{device text} counted {moved words} more while it could not be heard{ended text}.',
  'count.are': 'They are {layer text}: count {went words} there',
} as const;
