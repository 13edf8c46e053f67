import { task } from '../work/task';
import {
  lessonOf,
  observationsOfFill,
  settleFill,
  type FillEvidence,
  type Lesson,
  type Observation,
  type ReelType,
  type SettledFill,
  type Words,
} from '@yard-spool/core';

/** What closing a run writes down, as plain data; a sentence where it cannot be brought together. */
export type SettledRun =
  | {
      readonly ok: true;
      readonly settled: Omit<SettledFill, 'countFactor'>;
      /** What the fill leaves behind of its spool. */
      readonly depths: Observation[];
      /** What it taught; null where that cannot be told. */
      readonly lesson: Lesson | null;
    }
  | { readonly ok: false; readonly sentence: Words };

/**
 * Settles a fill with all that is believed, and once more without what the shop has learned: nothing is learned twice.
 */
export function settleRunFill({
  evidence,
  type,
}: {
  readonly evidence: FillEvidence;
  readonly type: ReelType;
}): SettledRun {
  const made = settleFill(evidence);
  if (!made.ok)
    return {
      ok: false,
      sentence: made.issues[0]?.sentence ?? 'What was counted cannot be brought together.',
    };
  const { countFactor, ...settled } = made.value;
  const untaught = settleFill({ ...evidence, beliefs: { type } });
  return {
    ok: true,
    settled,
    depths: observationsOfFill(evidence, { ...settled, countFactor }),
    lesson: untaught.ok ? lessonOf(untaught.value, evidence.request.layers) : null,
  };
}

export const SETTLE = task<typeof settleRunFill>('settle');
