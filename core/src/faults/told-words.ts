import type { FaultCause } from './causes';

/** What can be read aloud to the customer: what it was, and never whose fault. */
const TOLD: Readonly<Record<FaultCause, string>> = {
  'too-full':
    'We filled it a little higher than it likes. Some metres are off the top, and it lies as it should now.',
  swollen: 'The line took up water and stands higher than when it was wound. We took the difference off.',
  'not-full': 'It had room for more line than we put on. It is filled to where it should be now.',
  'line-lost': 'Some line was lost on the water, so it stood low. It is filled up again.',
  'twist-put-on': 'The line went on with some twist in it. We walked it out and wound it back straight.',
  'twist-in-use':
    'The line took up twist on the water: that comes of winding while the drag gives line, or of lures that spin. It is straight again; a swivel helps.',
  coils:
    'The line remembers its spool. We took the coils out; on cold days the first casts may still show some.',
  worn: 'The line has done its time. It has new line on now.',
  'no-grip': 'The line turned round its arbor. It has a grip below it now.',
  drag: 'The line holds; it is the drag inside the reel. That is work for a service bench, by the maker’s instructions.',
  loose: 'It was wound a little loose. It is wound again, tighter.',
  buried: 'A hard pull drew the line in between its own turns. It is pulled free and wound back tight.',
  'soft-backing': 'The backing below gave way under the braid. It has firmer backing now.',
  lay: 'The line lay higher at one end. We set how it lays, and it lies level now.',
  brake: 'The spool ran on in the cast. We set its tension and brake for what you cast.',
  lighter: 'What you cast now is lighter than what it was set for. It is set for that now.',
  join: 'The join reached the rings on a long cast. Next time it gets more main line above it.',
  rings: 'A ring or the lip has a rough spot that frays the line. Have that seen to first, then new line.',
  knot: 'The line is sound; the knot gave way. Wet it and pull it down slowly.',
  'weak-lot':
    'The line itself is weaker than it should be, and we are looking into its whole lot. It has other line on now.',
  overloaded: 'The drag was set to more than the line stands. It is set by a balance now.',
  'counter-level': 'Its counter was matched at another level of line. It has a new table now.',
  'counter-read':
    'The counter itself is right: it counts from where it is zeroed, and reads differently when line is let out harder or softer.',
};

export const toldWords = (cause: FaultCause): string => TOLD[cause];
