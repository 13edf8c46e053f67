/** What is said of pieces and of what is booked on them, where it holds a figure. */
export const RACK_WORDS = {
  'piece.too-short': 'Piece {code text} has {free m} free and this takes {takes m}: {short m} short.',
  'piece.too-short-by-tails':
    '{short words} The tails of the cuts before it, {tails m}, are what lacks: shared out in equal parts, none is lost.',
  'piece.promised': '{promised m} of {code text} are promised to reels that are booked in. Fill those first.',
  'piece.weighs-too-much':
    'By this weight {code text} would hold at least {low m}, and it came with {received m}. Is it the right piece, and the right empty spool?',
  'piece.less-left': 'Piece {code text} has {left m} left, which is less than this takes.',
  'piece.weighed': '{gross g} with its spool of {tare g}',
  'piece.below-tare': '{gross g} is less than the empty spool’s {tare g}. Check the tare.',
  'piece.weighs': 'A piece weighs from 0 to {most g} with its spool.',
  'piece.not-before': '{code text} has {before m} before this row: it would hold less than zero.',
  'piece.holds-too-much': '{code text} would hold more than {most m} after this row: no piece does.',
  'job.waits-for':
    'This reel waits for {waits m} of {line text}. Plan it again once a piece of it is on the rack.',

  'rule.exception': '{question text}: {school words}, {scope text}.',

  'house.length': '{length m}',
  'house.bench': '{name text}, {span m} free, {more text}',

  'bag.and': '{first words}; {then words}',
  'bag.stays': '{tag text} stays as planned though the shop rule changed: {why words}',
  'bag.taught': '{tag text} planned again from what {from text} taught: {change words}',
  'bag.layer-changed':
    '{role text} {was m} → {is m}, likely {likely m-range}, before {before m-range}, {turns text}',
  'bag.gap-by-rule': '{tag text} planned again: the shop now leaves {gap mm}',
} as const;
