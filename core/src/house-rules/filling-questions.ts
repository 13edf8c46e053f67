import { MM_PER_INCH } from '../quantities/units';
import { message } from '../words/message';
import { question } from './school';

/** What goes on a spool, how full, and in what order. Common practice, no source; the reasons are this house's own. */
export const FILLING_QUESTIONS = {
  level: question(
    'How full is a spool?',
    'A fuller spool casts farther and throws loops sooner; a lower one is safe and shortens the cast.',
    'by-line',
    [
      {
        id: 'flush',
        name: 'Flush with the lip',
        why: 'A full spool lets line go with the least friction: the longest casts. A little too full throws loops.',
      },
      {
        id: 'by-line',
        name: message('gap.rule-by-line', { thin: { mm: MM_PER_INCH / 16 }, thick: { mm: MM_PER_INCH / 8 } }),
        why: 'Casts without trouble in most hands. Stiff line springs off sooner and wants more; a shorter cast is the price.',
      },
      {
        id: 'start-low',
        name: 'Start low and creep up',
        why: 'Line can be added to a reel that casts well; it can only be cut off one that overfills.',
      },
    ],
  ),
  order: question(
    'Which goes on first?',
    'One way needs arithmetic, the other a spare spool and a second winding.',
    'backing-first',
    [
      {
        id: 'backing-first',
        name: 'Backing, to an amount worked out',
        why: 'One winding and one join, if the amount is right.',
      },
      {
        id: 'main-first',
        name: 'Main, then backing to the lip, then over to the other spool',
        why: 'Needs no arithmetic but a spare spool. A count of turns taken at the lip is too few at the arbor.',
      },
    ],
  ),
  arborGrip: question(
    'What keeps braid from slipping round the arbor?',
    'Tape costs nothing but ages, nylon holds and costs a join: it is cost against time.',
    'nylon',
    [
      { id: 'tape', name: 'A wrap or two of tape', why: 'Seconds of work and no line used; its glue ages.' },
      {
        id: 'nylon',
        name: 'A few metres of nylon first',
        why: 'Grips by itself and cushions; one more join.',
      },
      { id: 'both', name: 'Tape, then nylon', why: 'Cannot slip; takes the time of both.' },
    ],
  ),
  knots: question(
    'Which knot joins backing and main?',
    'Every knot trades ease of tying against slimness and against how unalike the two lines may be.',
    'double-uni',
    [
      {
        id: 'double-uni',
        name: 'Double uni',
        why: 'One knot learned serves nearly all; three turns each side.',
      },
      {
        id: 'blood',
        name: 'Blood knot',
        why: 'Slimmest where both lines are alike; poor where they differ.',
      },
      {
        id: 'albright',
        name: 'Albright',
        why: 'Holds where diameters or materials differ much; slow to tie well.',
      },
    ],
  ),
  supply: question(
    'How does the supply stand?',
    'People look at the line in two places: as it lies on the spool, and as it hangs after a cast. Each place has its own best way.',
    'by-twist',
    [
      {
        id: 'by-twist',
        name: 'Whichever twists least',
        why: 'Worked out from both diameters and both rotations.',
      },
      {
        id: 'over-end',
        name: 'Over its end, turning the way the bail does',
        why: 'Needs no rig, and what lies on the spool is mostly balanced where supply and reel are of a size.',
      },
      {
        id: 'rolling',
        name: 'Rolling on a spindle or on its edge in a tub',
        why: 'Puts in no twist of its own; what the rotor puts in, a cast takes out.',
      },
      {
        id: 'rig',
        name: 'On a rig that turns it with the rotor',
        why: 'No twist on the spool at all; the rig costs money and room.',
      },
      {
        id: 'as-it-comes',
        name: 'It does not matter',
        why: 'True of reels whose spool turns and a supply that rolls, and hard to see on limp braid.',
      },
    ],
  ),
  label: question(
    'Which face of the supply is up?',
    'A label is one maker’s habit; only the way the spool turns decides, and not everybody has time to look.',
    'by-rotation',
    [
      {
        id: 'by-rotation',
        name: 'Look which way it turns',
        why: 'Rotation decides; a label can be on either side.',
      },
      { id: 'label-up', name: 'Label up', why: 'Quick, and right for makers who all wind one way.' },
      { id: 'box', name: 'As the box says', why: 'The maker knows how it was wound, if the box is at hand.' },
    ],
  ),
  judgeTwistBy: question(
    'Where is twist judged?',
    'What a still supply and a rotor put in adds up on the spool, but a cast takes the rotor’s share out again.',
    'spool',
    [
      {
        id: 'spool',
        name: 'As the line lies on the spool',
        why: 'Line that lies there twisted springs off in coils before the first cast.',
      },
      {
        id: 'cast',
        name: 'As it hangs after a cast',
        why: 'Line is fished hanging; what the cast takes out does no harm there.',
      },
    ],
  ),
} as const;
