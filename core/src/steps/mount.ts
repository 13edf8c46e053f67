import { guidesAdvice } from '../advice/handling-advice';
import { handsAdvice } from '../advice/handling-advice';
import type { ReelType } from '../lines/reel-type';
import { always, type BenchStep } from './bench-step';

const MOUNT: Readonly<Record<ReelType, readonly [todo: string, look: string]>> = {
  'fixed-spool': [
    'Reel on a rod butt, line through at least the first guide. Bail open before tying on.',
    'Spool at the far end of its stroke, so that the knot sits at the base.',
  ],
  baitcaster: [
    'Reel on a rod butt, line guide centred, line through it and round the spool.',
    'A spool with holes: through a port, then one turn of the handle.',
  ],
  spincast: [
    'Cover off, line through the nose cone before the knot.',
    'The cover goes on to wind and comes off to look.',
  ],
  trolling: [
    'Reel on a rod butt, line through the guide and round the spool.',
    'The supply stays uncut until the counter agrees with the tape.',
  ],
  'big-game': [
    'Reel clamped down, line through the guide and round the spool.',
    'Nothing under the line that it could cut into.',
  ],
};

/** How it is held, and what the line goes through. */
export const mount: BenchStep = {
  when: always,
  words: ({ type, rules }) => {
    const [todo, look] = MOUNT[type];
    return {
      name: 'Mount and thread',
      todo: `${todo} ${guidesAdvice(type, rules).sentence}`,
      look: `${look} ${handsAdvice(rules).sentence}`,
      cautions: type === 'big-game' ? ['wind-tight'] : [],
    };
  },
};
