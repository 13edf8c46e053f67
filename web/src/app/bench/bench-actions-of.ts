import type { CounterMatch, RunStep } from '@yard-spool/core';
import type { BenchAction } from './bench-actions';

interface Now {
  readonly step: RunStep | null;
  readonly closed: boolean;
  /** Whether a device counts here. */
  readonly counter: boolean;
  readonly held: boolean;
  readonly reached: boolean;
  readonly openFace: boolean;
  /** What the counter against the tape asks for, at its step; and whether what is moved is counted now. */
  readonly match: CounterMatch['verdict'];
  readonly moving: boolean;
}

/** What Enter does while a counter is matched. */
export const MATCHING: Readonly<Record<CounterMatch['verdict'], string>> = {
  walk: 'Take this reading',
  add: 'Line added',
  'take-off': 'Line removed',
  agrees: 'Go on to the cut',
  'out-of-reach': 'Leave it, use the table',
};

/** The big actions of the step, five at most, with the keys that do them. */
export function actionsOf({
  step,
  closed,
  counter,
  held,
  reached,
  openFace,
  match,
  moving,
}: Now): BenchAction[] {
  if (closed) return [{ key: 'Enter', name: 'Open the record', main: true }];
  if (!step || step.kind === 'tag') return [{ key: 'Enter', name: 'Close this reel', main: true }];
  if (step.kind === 'counter')
    return [
      { key: 'N', name: 'Leave the counter as it is' },
      { key: 'Enter', name: moving ? 'Stop counting here' : MATCHING[match], main: true },
    ];
  if (step.kind !== 'wind')
    return [
      ...(step.optional ? [{ key: 'N', name: 'Skip this step' }] : []),
      {
        key: 'Enter',
        name: step.kind === 'depth' || step.kind === 'gap' ? 'Go on' : 'Step done',
        main: true,
      },
    ];
  return [
    counter
      ? { key: 'Space', name: held ? 'Go on counting' : 'Hold the count', main: true }
      : { key: 'Space', name: 'Ten turns', main: true },
    { key: 'C', name: 'Type the count' },
    { key: 'T', name: 'Twist' },
    openFace ? { key: 'L', name: 'Lay' } : { key: 'D', name: 'Read a depth' },
    { key: 'Enter', name: 'Step done', quiet: !reached },
  ];
}
