import { question } from './school';

/** How line is treated before, during and after winding. Common practice, no source; the reasons are our own. */
export const HANDLING_QUESTIONS = {
  soak: question(
    'Is nylon soaked before it is wound?',
    'Water goes into nylon slowly: thin line is nearly full in hours, thick line takes a day. Some fear dry line that swells later, others wet line that crinkles as it dries.',
    'short',
    [
      {
        id: 'none',
        name: 'Not at all',
        why: 'Nothing is kept waiting, and thin line wets through in the first hours of fishing.',
      },
      {
        id: 'short',
        name: '1 to 2 hours',
        why: 'Softens the line. Soaked longer, some nylon crinkles as it dries and may weaken.',
      },
      { id: 'overnight', name: 'Overnight', why: 'Thick line needs hours for water to reach its middle.' },
      {
        id: 'full-day',
        name: '24 hours',
        why: 'Line swells as it takes up water: wound swollen, it will not grow on the reel later.',
      },
    ],
  ),
  tension: question(
    'How tight is line wound?',
    'Loose line lets the top wraps dig in; tight line on a turning spool makes the first casts stubborn.',
    'medium',
    [
      {
        id: 'light',
        name: 'Light',
        why: 'The first casts from a turning spool come off without digging in.',
      },
      { id: 'medium', name: 'As when fishing', why: 'The lay comes out as the reel will make it itself.' },
      {
        id: 'tight',
        name: 'As tight as can be',
        why: 'Loose line lets the top wraps bury themselves as soon as something pulls.',
      },
    ],
  ),
  hands: question(
    'Alone, or with a helper?',
    'A helper sees twist and crossed wraps first; a drag or a tub holds a steadier tension and is always there.',
    'alone',
    [
      {
        id: 'alone',
        name: 'Alone, with a tub, clamp, winder or a second reel',
        why: 'Always at hand, and a second reel’s drag holds the steadiest tension.',
      },
      {
        id: 'helper',
        name: 'A helper holds supply and tension',
        why: 'Quick to set up; the helper sees twist and crossed wraps first.',
      },
    ],
  ),
  guides: question(
    'Through how many guides?',
    'One guide is enough to wind from. Who takes the rod away with the reel wants all of them threaded.',
    'first',
    [
      { id: 'first', name: 'The first guide', why: 'Quick, and enough to wind from.' },
      {
        id: 'all',
        name: 'All of them',
        why: 'Line leaves its memory in the guides, and the rod is ready to go out.',
      },
    ],
  ),
  memoryRelief: question(
    'How is memory taken out of nylon?',
    'Warmth, stretch and walking all work; they differ in room, time and whether twist comes out as well.',
    'warm-water',
    [
      {
        id: 'warm-water',
        name: 'Warm water for some minutes',
        why: 'Relaxes the coils where they lie, with the spool off the reel.',
      },
      { id: 'stretch', name: 'Stretched a length at a time', why: 'Needs nothing but hands and room.' },
      {
        id: 'walk-out',
        name: 'Walked out to a swivel and wound back',
        why: 'Lets twist out as well, and beds the line in under tension.',
      },
      {
        id: 'leave',
        name: 'Left to the customer',
        why: 'Trailed behind a boat it does all of this by itself.',
      },
    ],
  ),
  washers: question(
    'When is a tapered lay corrected?',
    'Line lies otherwise under the load of fishing than at the bench, and the seats of reels differ.',
    'at-the-bench',
    [
      { id: 'at-the-bench', name: 'At the bench', why: 'The customer gets a reel that is right.' },
      {
        id: 'after-fishing',
        name: 'Only after it was fished',
        why: 'Under load the lay may come out otherwise than at the bench.',
      },
    ],
  ),
  drag: question(
    'Where is the drag set?',
    'A light drag spares knots, a firm one turns a fish; both stay within what the weakest line bears.',
    'quarter',
    [
      {
        id: 'quarter',
        name: 'A quarter of the weakest line’s strength',
        why: 'Leaves room for knots, wear and a sudden run.',
      },
      {
        id: 'third',
        name: 'A third of it',
        why: 'Turns a strong fish sooner; knots and line must be sound.',
      },
    ],
  ),
  service: question(
    'When is line renewed?',
    'Use wears line and so do light and heat; shops weigh the two differently.',
    'whichever-first',
    [
      { id: 'by-trips', name: 'Light nylon after 4 trips', why: 'Use wears it, not the calendar.' },
      { id: 'by-months', name: 'Each year', why: 'Light and heat age it on the shelf too.' },
      { id: 'whichever-first', name: 'Whichever comes first', why: 'Both wear it; renewing costs little.' },
    ],
  ),
} as const;
