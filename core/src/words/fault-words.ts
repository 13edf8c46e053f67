/** What the record says of a reel that is not right, and what is done about it. */
export const FAULT_WORDS = {
  'fault.gap-closed': 'It left {gap mm} below the lip; the house leaves {wanted mm}.',
  'fault.gap-now': 'By what was lost it lies {gap mm} below the lip now; the house leaves {wanted mm}.',
  'fault.lost': '{off m} went off its top since it was filled.',
  'fault.twist-closed':
    'A slack metre of {layer text} showed {turns count} turns in two metres when it was filled.',
  'fault.supply':
    'The way its supply stood put {turns count} turns into each metre; at best it is {best count}.',
  'fault.drag-closed': 'It left with its drag at {drag kg}; a knot in its weakest part stands {knot kg}.',
  'fault.backing': 'Its backing is {diameter line} nylon, which springs under braid.',
  'fault.join': 'The join lies {above m} down; a cast and a half is {least m}.',
  'fault.trips': 'It was out {trips count} times in {months count} months.',
  'fault.months': 'It was filled {months count} months ago.',

  'fault.take-off': 'Take {length m} off the top, about {turns count} turns of the handle.',
  'fault.then-lies':
    'It then lies {wanted mm} below the lip. Likely {range m-range}: stop by the depth, not by the count.',
  'fault.top-up':
    'Wind {length m} of {line text} on, about {turns count} turns of the handle, joined to what is there.',
  'fault.top-up-deep':
    '{left m} of {line text} are left. Below a cast and a half a join goes through the rings: fill it again instead.',
  'fault.walk-out':
    'Walk {length m} out to a swivel on a post until it hangs still, and wind it back under tension.',
  'fault.wind-again': 'Pull {length m} off and wind them back through a wet cloth, tight.',
  'fault.pull-out':
    'Pull {length m} out by hand, half as far again as a long cast, until it runs free; wind it back tight.',
  'fault.grip': 'Strip all {length m}, then tape or {nylon m} of nylon on the arbor, and wind them on again.',
  'fault.longer-main': 'Leave {least m} of main at least next time: a cast and a half stays above the join.',
  'fault.drag':
    'Set the drag by a spring balance to {share text} of what the weakest part of the line stands.',
  'fault.stands-out':
    '{back count} of {filled count} came back, where {expected text} of all others do. By chance alone so much happens once in {odds count} times.',
} as const;
