import { brake } from './brake';
import { clip } from './clip';
import { counter } from './counter';
import { cover } from './cover';
import { depth } from './depth';
import { drag } from './drag';
import { dragReading } from './drag-reading';
import { gap } from './gap';
import { grip } from './grip';
import { guides } from './guides';
import { join } from './join';
import { leader } from './leader';
import { memory } from './memory';
import { mount } from './mount';
import { prepareSupply } from './prepare-supply';
import { reducer } from './reducer';
import { splice } from './splice';
import { strip } from './strip';
import { swap } from './swap';
import { tag } from './tag';
import { thumb } from './thumb';
import { tieOn } from './tie-on';
import { wind } from './wind';
import type { BenchStep } from './bench-step';
import type { StepKind } from './run-facts';

/** Every step there is, by its kind: when it applies, its words, what is written down at it. */
export const STEPS: Readonly<Record<StepKind, BenchStep>> = {
  strip,
  reducer,
  grip,
  mount,
  'tie-on': tieOn,
  'prepare-supply': prepareSupply,
  wind,
  depth,
  join,
  splice,
  swap,
  gap,
  clip,
  cover,
  memory,
  counter,
  brake,
  thumb,
  'drag-reading': dragReading,
  leader,
  guides,
  drag,
  tag,
};
