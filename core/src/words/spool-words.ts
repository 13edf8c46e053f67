/** What is said of the figures a spool is known by, and of readings that do not go together. */
export const SPOOL_WORDS = {
  'spool.out-of-range': 'The {what text} is outside what a reel can have: it must be from {range words}.',
  'spool.arbor-not-inside-lip':
    'An arbor of {arbor mm} leaves no room for line inside a lip of {lip mm}. Measure both across the spool.',
  'spool.capacity':
    '{length m} of {diameter line} cannot fit on a spool of these measures, even wound solid. Check the rating and the measures.',
  'spool.disagrees-more': 'The {what text} says {amount mm} more than {than text}. {check text}',
  'spool.disagrees-less': 'The {what text} says {amount mm} less than {than text}. {check text}',
  'spool.known-from': 'From {like words}.',
  'spool.known-from-both': 'From {known text}; {like words}.',
  'spool.known-like':
    '{many text}: the next one comes out within {spread mm} of {they text} two times in three',

  'settle.depth': 'A depth: nearer {nearer mm} than the {read mm} read',
  'settle.piece-more': 'The piece of the {layer text}: it held {more m} more than the books say',
  'settle.piece-less': 'The piece of the {layer text}: it held {less m} less than the books say',
  'settle.or-not-out': '{held words}, or it did not run out',
} as const;
