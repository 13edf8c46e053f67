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

  'cuts.lacks': 'No piece has {wanted m} of {line text} for {tag text}.',
  'cuts.gives-up': '{tag text} gets {given m} of {wanted m}: backing makes up for the rest.',
  'cuts.comes': '{metres m} of {line text} are on order, here by {day text}: in time for it.',
  'cuts.comes-late':
    '{metres m} of {line text} are on order, here by {day text}: too late for what was promised.',
  'cuts.order': 'Order at least {metres m} of {line text}.',
  'cuts.shorter': '{piece text} has {free m} left over: ask whether so much main is enough.',
  'cuts.join-too-short':
    'Line is joined from lengths of at least {least m}: choose a piece that has all of it.',
  'cuts.unpin': '{piece text} was asked for by hand and has not enough: take that back.',
  'cuts.piece-less': '{piece text} has {metres m} less than before',
  'cuts.piece-more': '{piece text} has {metres m} more than before',
  'cuts.reel-came': '{tag text} came in',
  'cuts.reel-gone': '{tag text} is not waiting any more',
  'bag.cut-from': '{tag text}: {role text} is cut from {piece text} now',
  'bag.cut-joined': '{tag text}: {role text} is joined from {piece text} and {then text} now',
  'bag.cut-waits': '{tag text}: {role text} waits for line now',
  'bag.main-given': '{tag text}: {given m} of main instead of {wanted m}',
  'bag.least-main': '{tag text}: no less than {least m} of main is accepted',

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
