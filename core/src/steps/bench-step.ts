import type { CautionPlace } from '../cautions/cautions';
import type { Words } from '../words/message';
import type { Line } from '../lines/line';
import type { RunFacts } from './run-facts';
import type { NoteValue, StepField } from './step-field';
import type { SupplyWayAtBench } from './supply-way';

/** What a step is called, what to do, what to look at, and where the cautions that belong there are found. */
export interface StepWords {
  readonly name: string;
  readonly todo: Words;
  /** What to look at; empty where the step says it all. */
  readonly look: Words;
  readonly cautions: readonly CautionPlace[];
}

/** Where in a fill a step stands: the lines about it, and what is said of the whole. */
export interface StepAt extends Pick<RunFacts, 'type' | 'rules' | 'leader'> {
  /** The line the step belongs to; of a step of the whole fill the one on top. */
  readonly line: Line | null;
  /** The line under it. */
  readonly below: Line | null;
  /** The line on the arbor. */
  readonly first: Line | null;
  /** What the line is there for: Backing, Main. */
  readonly role: string;
  readonly way: SupplyWayAtBench | null;
  /** Whether it is the last layer wound. */
  readonly last: boolean;
  /** Old line that stays on; null where none does. */
  readonly kept: Line | null;
  /** Whether wraps of tape lie below the line. */
  readonly tape: boolean;
  /** Whether a reducer lies on the arbor. */
  readonly reducer: boolean;
  /** Whether its own line is turned end for end. */
  readonly turned: boolean;
  /** Whether the main is wound first and all of it swapped over. */
  readonly swap: boolean;
}

/** Whether a step is part of a fill; an optional one may be left out. */
export type When = 'always' | 'optional' | 'never';

/** Everything a step is: the bench, the record, prints and practice read it here. */
export interface BenchStep {
  readonly when: (at: StepAt) => When;
  readonly words: (at: StepAt) => StepWords;
  /** What may be written down at it. */
  readonly fields?: readonly StepField[];
  /** What is still to be written down before it is done; empty where nothing is. */
  readonly missing?: (values: Readonly<Record<string, NoteValue>>) => string;
}

export const always = (): When => 'always';
export const optional = (): When => 'optional';
/** Part of a fill where this holds. */
export const onlyIf = (holds: boolean, when: When = 'always'): When => (holds ? when : 'never');

/** A step that says the same of every reel. */
export const says =
  (name: string, todo: Words, look = '', ...cautions: CautionPlace[]) =>
  (): StepWords => ({ name, todo, look, cautions });
