import type { SlackCause, SlackVerdict } from './slack-causes';

/** What each verdict says. */
export const SLACK_WORDS: Readonly<Record<Exclude<SlackVerdict, 'unsure'>, string>> = {
  limp: 'Limp: nothing to put right. Go on.',
  less: 'Some twist, less than this layout puts in: as it should be. Go on.',
  'as-laid-out': 'As laid out. Go on.',
  'wrong-way':
    'The supply is the wrong way round. Strip this layer, turn the supply over and begin it again.',
  slipping:
    'More than this layout puts in. Look whether the drag slips: tighten it right down. Then whether the supply drags.',
  dragging:
    'More than this layout puts in. Look whether the supply turns freely, and is not pulled off its end.',
};

const TURNS =
  'Watch both turns once more, the supply from the side its line leaves and the rotor from behind: they must go the same way.';
const CREEPS =
  'Put a strip of tape on the spool and wind ten turns: if the tape creeps, the drag slips; tighten it right down.';
const RUNS = 'Watch the supply for ten turns: it must turn with the line and let no coil over its end.';

/** The look that tells each fault. */
const LOOK: Readonly<Record<SlackCause, string>> = {
  fine: '',
  'wrong-way': TURNS,
  slipping: CREEPS,
  dragging: RUNS,
};
/** A fault as what it may be. */
const MAY_BE: Readonly<Record<SlackCause, string>> = {
  fine: 'Cannot tell yet: most likely nothing is wrong.',
  'wrong-way': 'Cannot tell yet: most likely the supply is the wrong way round.',
  slipping: 'Cannot tell yet: most likely the drag slips.',
  dragging: 'Cannot tell yet: most likely the supply drags.',
};

/** What to look at where the likeliest cause is not likely enough: the likelier one’s look first. */
export const lookSo = (likeliest: SlackCause, next: SlackCause): string =>
  [MAY_BE[likeliest], LOOK[likeliest], LOOK[next]].filter((words) => words !== '').join(' ');
