import type { ReelType } from '@yard-spool/contract';
import type { FillRequest, RunStep, StepKind } from '@yard-spool/core';

/** What a step is called, what to do, and the caution that belongs there. */
export interface StepWords {
  readonly name: string;
  readonly todo: string;
  readonly caution?: { readonly title: string; readonly text: string };
}

const STRIP = {
  title: 'Hooks and lures off first',
  text: 'Near the bottom slow the drill: the empty spool flies off. A battery drill, never a corded one near water. Old line goes to line recycling, never loose in a bin.',
};
const GUIDE = {
  title: 'Guide, never grip',
  text: 'Running line burns bare skin. Wet cloth, glove or plaster between finger and line; ease off at the bottom of the supply.',
};
const CUT = {
  title: 'Scissors, not teeth',
  text: 'No blade or heat against a spool. Pull the line first to be sure it is the right one.',
};
const WASHERS = {
  title: 'Keep washers and bearings in order',
  text: 'Where a spool comes off, lay its parts down in order and follow the maker’s instructions.',
};

const MOUNT: Readonly<Record<ReelType, string>> = {
  'fixed-spool':
    'Reel on a rod butt, line through at least the first guide. Bail open, spool at the far end of its stroke.',
  baitcaster: 'Reel on a rod butt. Line guide centred, line through the guide and round the spool.',
  spincast:
    'Line through the nose cone before the knot. Wrap the tag round the handle so that it cannot vanish inside.',
  trolling:
    'Reel on a rod butt, line through the guide and round the spool. The counter can wait until the line is on.',
  'big-game': 'Reel clamped, line through the guide and round the spool. Glove and eye protection on.',
};

const WORDS: Readonly<Record<Exclude<StepKind, 'mount' | 'wind'>, StepWords>> = {
  strip: {
    name: 'Strip old line',
    todo: 'Take the old line off, wipe the spool and look at it while it is bare.',
    caution: STRIP,
  },
  grip: {
    name: 'Give the arbor grip',
    todo: 'Braid slips on a bare arbor. One or two wraps of tape, or the spool’s own rubber band.',
  },
  'tie-on': {
    name: 'Tie on, drag tight',
    todo: 'Arbor knot, trimmed close and covered. Bail shut. Drag tight, or the spool slips while it fills.',
    caution: WASHERS,
  },
  join: {
    name: 'Join',
    todo: 'Tie the main to the backing. The join should sit mid-width: strip and wind until it does.',
    caution: CUT,
  },
  gap: { name: 'Read the gap', todo: 'Measure from the lip down to the line, and type what you read.' },
  clip: {
    name: 'Cut, clip, tape',
    todo: 'Cut the right line, clip it on the reel, tape the supply’s tail.',
    caution: CUT,
  },
  drag: { name: 'Back the drag off', todo: 'Nobody stores a reel with the drag tight.' },
  tag: {
    name: 'Tag and close',
    todo: 'Hang the tag on the reel. Closing writes what is on it and takes the line off the rack.',
  },
};

/** The words of a step for one reel and one request. */
export function stepWords(step: RunStep, type: ReelType, request: FillRequest): StepWords {
  if (step.kind === 'mount') return { name: 'Mount and thread', todo: MOUNT[type] };
  if (step.kind !== 'wind') return WORDS[step.kind];
  const layer = request.layers.find(({ id }) => id === step.layer);
  const role = layer?.kind === 'line' ? layer.role.replace('-', ' ') : 'line';
  return {
    name: role.charAt(0).toUpperCase() + role.slice(1),
    todo: 'Slow for the first turns, then steady tension through a wet cloth. Slow down again for the last turns.',
    caution: GUIDE,
  };
}
